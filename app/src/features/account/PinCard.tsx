import * as v from 'valibot';
import { setPin } from '@/data/shop';
import { FormSecret, newPin, Said, secret, useDoing, useFields } from '@/forms';
import { BigButton, Line, Section } from '@/ui';
import { text } from './text';

const Pin = v.object({ pin: newPin(), password: secret(() => text.pinPassword) });

/** A lead's PIN: their word on a technician's device. */
export function PinCard() {
  const { control, handleSubmit, reset } = useFields({ pin: '', password: '' }, Pin);
  const { error, done, isBusy, doing } = useDoing();
  const save = handleSubmit(({ pin, password }) =>
    doing(() => setPin(pin, password), text.pinSaved, reset),
  );
  return (
    <Section title={text.pin}>
      <Line>{text.pinText}</Line>
      <Said error={error} done={done} />
      <FormSecret control={control} name="pin" label={text.pinLabel} isDigits />
      <FormSecret control={control} name="password" label={text.pinPassword} />
      <BigButton
        text={text.pinSave}
        look="plain"
        size="desk"
        disabled={isBusy}
        onPress={() => void save()}
      />
    </Section>
  );
}
