import { textAt } from '@stennet/core/language';
import * as v from 'valibot';
import { IDLE_MINUTES, RETENTION_MONTHS, TimeZoneSchema } from '@stennet/core/contract';
import { saveShop, useSignedIn, witnessPath } from '@/data';
import { FormChoice, FormSecret, FormText, Said, secret, useDoing, useFields } from '@/forms';
import { openFile } from '@/platform/files';
import { BigButton, Line, Section } from '@/ui';
import { text } from './text';

const nearest = (minutes: number): (typeof IDLE_MINUTES)[number] =>
  IDLE_MINUTES.find((m) => m >= minutes) ?? 840;

/** null: always. */
const keptMonths = (months: number | null): (typeof RETENTION_MONTHS)[number] | null =>
  RETENTION_MONTHS.find((m) => m === months) ?? null;

type Shop = ReturnType<typeof useSignedIn>['me']['shop'];
/** What stands in the shop's settings, as it is sent back with one change. */
const settingsOf = ({ secondSignature, timeZone, idleMinutes, retentionMonths }: Shop) => ({
  secondSignature,
  timeZone,
  idleMinutes: nearest(idleMinutes),
  retentionMonths: keptMonths(retentionMonths),
});

/** What the lead decides for the whole shop. */
export function ShopCard() {
  return (
    <Section title={text.shop}>
      <SecondSignature />
      <Settings />
      <Line>{text.witnessText}</Line>
      <BigButton
        text={text.witness}
        look="quiet"
        size="desk"
        onPress={() => openFile(witnessPath, 'keep')}
      />
    </Section>
  );
}

const Own = v.object({ own: secret(() => text.secondOwn) });

/** Asking for less than before takes the lead's password. */
function SecondSignature() {
  const { me } = useSignedIn();
  const isOn = me.shop.secondSignature;
  const { control, handleSubmit, reset } = useFields({ own: '' }, Own);
  const { error, done, isBusy, doing } = useDoing();
  const save = (own?: string): void =>
    doing(
      () =>
        saveShop({
          ...settingsOf(me.shop),
          secondSignature: !isOn,
          ...(own ? { own } : {}),
        }),
      text.shopSaved,
      reset,
    );
  return (
    <>
      <Line>{text.secondText}</Line>
      <Said error={error} done={done} />
      {isOn ? <FormSecret control={control} name="own" label={text.secondOwn} /> : null}
      <BigButton
        text={isOn ? text.secondOn : text.secondOff}
        look="plain"
        size="desk"
        disabled={isBusy}
        onPress={() => (isOn ? void handleSubmit(({ own }) => save(own))() : save())}
      />
    </>
  );
}

const Kept = v.object({
  zone: v.pipe(
    v.string(),
    v.trim(),
    v.check(
      (zone) => v.is(TimeZoneSchema, zone),
      () => text.zoneUnknown,
    ),
  ),
  idle: v.pipe(v.string(), v.transform(Number)),
  months: v.pipe(v.string(), v.transform(Number)),
});

function Settings() {
  const { me } = useSignedIn();
  const now = settingsOf(me.shop);
  const { control, handleSubmit } = useFields(
    {
      zone: now.timeZone,
      idle: String(now.idleMinutes),
      months: String(now.retentionMonths ?? 0),
    },
    Kept,
  );
  const { error, done, isBusy, doing } = useDoing();
  const save = handleSubmit(({ zone, idle, months }) =>
    doing(
      () =>
        saveShop({
          ...now,
          timeZone: zone,
          idleMinutes: nearest(idle),
          retentionMonths: keptMonths(months),
        }),
      text.shopSaved,
    ),
  );
  return (
    <>
      <FormText control={control} name="zone" label={text.zone} />
      <FormChoice
        control={control}
        name="idle"
        label={text.idle}
        options={IDLE_MINUTES.map((m) => ({ value: String(m), text: text.idleTimes[m] ?? '' }))}
      />
      <FormChoice
        control={control}
        name="months"
        label={text.retention}
        options={[0, ...RETENTION_MONTHS].map((m) => ({
          value: String(m),
          text: textAt(text.retentionTimes, m) ?? '',
        }))}
      />
      <Said error={error} done={done} />
      <BigButton
        text={text.shopSave}
        look="plain"
        size="desk"
        disabled={isBusy}
        onPress={() => void save()}
      />
    </>
  );
}
