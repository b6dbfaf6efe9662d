import { BigButton } from '@/ui';
import { text } from '../text';

/** At the end of a form: save it, or let go of what was typed. */
export function SaveButtons({
  ready = true,
  onSave,
  onLetGo,
}: {
  /** Left out: its fields are checked when it is pressed. */
  ready?: boolean;
  onSave: () => void;
  onLetGo: () => void;
}) {
  return (
    <>
      <BigButton text={text.save} look="plain" size="desk" disabled={!ready} onPress={onSave} />
      <BigButton text={text.letGo} look="quiet" size="desk" onPress={onLetGo} />
    </>
  );
}
