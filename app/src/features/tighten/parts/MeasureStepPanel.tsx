import { View } from 'react-native';
import { measureKinds } from '@stennet/core/measure';
import type { Step as SheetStep } from '@stennet/core/procedure';
import { convert } from '@stennet/core/quantity';
import { useKeptForm, useSignedIn } from '@/data';
import { BigButton } from '@/ui';
import { drawnRows, emptyForm, measuringOf, type MeasureForm } from '@/ui/measuring/measuring';
import { Instrument, Odd, Places, StripMarks } from '@/ui/measuring/Places';
import { Result } from '@/ui/measuring/Result';
import { text as measuringText } from '@/ui/measuring/text';
import { text } from '../text';
import { GiveUp } from './GiveUp';
import { PanelBody, PanelTitle } from './PanelText';
import { StepMore } from './StepMore';
import { PhotoButton } from './PhotoButton';
import type { StepProps } from './StepPanel';

type Measure = NonNullable<SheetStep['measure']>;

/**
 * Place by place on a drawing, judged while it is typed by the sheet's limits; what is typed
 * survives a closed tab.
 */
export function MeasureStepPanel({
  due,
  acts,
  onGoBack,
  measure,
}: StepProps<'step'> & { measure: Measure }) {
  const { step } = due;
  const { format } = useSignedIn();
  const kind = measureKinds[measure.what];
  const {
    form: kept,
    put,
    clear,
  } = useKeptForm<MeasureForm>(`run ${acts.run} ${step.id}`, firstForm(step, measure));
  const form = { ...kept, limits: limitsIn(measure, kept.unit) };
  const { measured, judged, odd } = measuringOf(form);
  const isReady =
    measured !== null &&
    judged !== null &&
    form.instrument.trim() !== '' &&
    (odd.length === 0 || form.confirmed);
  const record = async (pending: boolean): Promise<void> => {
    if (!measured || !judged) return;
    // Places that are not measured yet go along: a face is within limits only when every one is in.
    const rows = measured.rows
      .filter((r) => kind.needsAll || r.values.some((v) => v !== null))
      .map((r) => ({ row: r.row, values: [...r.values] }));
    const { what, unit, uncertainty, limits, strip } = measured;
    const raw = {
      what,
      instrument: form.instrument.trim(),
      unit,
      uncertainty,
      limits,
      rows,
      ...(strip ? { strip: strip.map(([w, c]): [number, number] => [w, c]) } : {}),
    };
    const isIn = await acts.confirm('stepDone', {
      step: step.id,
      measured: raw,
      ...(pending ? { pendingLead: true } : {}),
    });
    if (isIn && (pending || judged.verdict === 'pass')) clear();
  };
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{step.text}</PanelTitle>
      <StepMore step={step} />
      <PanelBody>{measuringText.kinds[measure.what].say}</PanelBody>
      <PanelBody>
        {kind.limits
          .map((l) =>
            text.measureLimit({
              label: l.label,
              value: format.quantity({ value: measure.limits[l.key] ?? 0, unit: measure.unit })
                .text,
            }),
          )
          .join(' · ')}
      </PanelBody>
      <Instrument form={form} put={put} />
      {measure.what === 'strip' ? <StripMarks form={form} put={put} /> : null}
      <Places form={form} put={put} what={measure.what} rows={drawnRows(form, judged)} />
      <Odd form={form} put={put} odd={odd} />
      {judged ? (
        <Result what={measure.what} judged={judged} unit={form.unit} format={format} />
      ) : (
        <PanelBody>{measuringText.missing}</PanelBody>
      )}
      {judged?.verdict === 'fail' ? <PanelBody strong>{text.measureFail}</PanelBody> : null}
      <BigButton text={text.measureRecord} disabled={!isReady} onPress={() => void record(false)} />
      {due.reason === 'consequence' ? (
        <BigButton
          text={text.pendingStep}
          look="warn"
          disabled={!isReady}
          onPress={() => void record(true)}
        />
      ) : null}
      <PhotoButton of={step.text} step={step.id} />
      <GiveUp step={step.id} acts={acts} />
      <BigButton text={text.goBack} look="quiet" onPress={onGoBack} />
    </View>
  );
}

const firstForm = (step: SheetStep, { what, unit }: Measure): MeasureForm => ({
  ...emptyForm(''),
  what,
  unit,
  rows: (step.rows ?? measureKinds[what].rows).map((row) => ({ row, values: [] })),
});

/** The sheet's limits, in the unit that is typed in. */
function limitsIn({ limits, unit }: Measure, typed: MeasureForm['unit']): Record<string, string> {
  return Object.fromEntries(
    Object.entries(limits).map(([key, value]) => [key, String(convert({ value, unit }, typed))]),
  );
}
