import { useState } from 'react';
import { View } from 'react-native';
import { clampCurve, type ClampCase } from '@stennet/core/clamp';
import type { Sheet } from '@stennet/core/procedure';
import { upperFirst } from '@stennet/core/language';
import { FRICTION_TEXT } from '@stennet/core/thread';
import { useSignedIn } from '@/data';
import { Line, Notice, Section, useIsWide } from '@/ui';
import { columns } from '../columns';
import { text } from '../text';
import { ClampChart } from './ClampChart';
import { formOfSheet, PLAIN, readClamp, type ClampForm } from './clampForm';
import { ClampInputs } from './ClampInputs';
import { FurtherUses } from './FurtherUses';
import { Ways } from './Ways';

/** What torque and angle do to one bolt, how sure that is, and what another use would leave. */
export function ClampLoad({
  sheet,
  beside,
}: {
  sheet: Sheet | null;
  /** The lubricant that the question is about. */
  beside?: ClampForm['beside'] | undefined;
}) {
  const { me } = useSignedIn();
  const isWide = useIsWide();
  const { torqueUnit } = me.shop;
  const [form, setForm] = useState<ClampForm>(() => ({
    ...(sheet ? formOfSheet(sheet, torqueUnit) : PLAIN),
    ...(beside ? { beside } : {}),
  }));
  const group = sheet?.groups.find((g) => g.thread.designation === form.thread.trim());
  const read = readClamp(form, torqueUnit, group?.thread.pitchMm);
  const wrong = 'wrong' in read ? read.wrong : null;
  const inputs = (
    <ClampInputs form={form} wrong={wrong} onChange={(change) => setForm({ ...form, ...change })} />
  );
  const shown =
    'of' in read ? (
      <Shown of={read.of} beside={form.beside} />
    ) : (
      <Notice title={text.clamp.notYet} text={text.clamp.notYetText} />
    );
  return (
    <View style={isWide ? columns.wide : columns.phone}>
      <View style={isWide ? columns.most : columns.phone}>{shown}</View>
      <View style={isWide ? columns.least : columns.phone}>{inputs}</View>
    </View>
  );
}

function Shown({ of, beside }: { of: ClampCase; beside: ClampForm['beside'] }) {
  const { format } = useSignedIn();
  const curve = clampCurve(of);
  const other =
    beside === 'none' || beside === of.condition ? null : clampCurve({ ...of, condition: beside });
  const kn = (n: number): string => format.quantity({ value: n, unit: 'kN' }).text;
  const percent = (share: number): string => format.number(Math.abs(share) * 100, 0);
  return (
    <View style={columns.phone}>
      <Section title={text.clamp.title}>
        <ClampChart of={of} curve={curve} other={other} beside={beside} />
        <Line strong>{text.clamp.final({ kn: kn(curve.finalKn), yields: kn(curve.yieldKn) })}</Line>
        {curve.isPastYield ? <Line>{text.clamp.pastYield}</Line> : null}
        {other && beside !== 'none' ? (
          <Line strong>
            {otherLine(
              other.byTorque.at(-1)?.preloadKn ?? 0,
              curve.byTorque.at(-1)?.preloadKn ?? 0,
              FRICTION_TEXT[beside],
              percent,
            )}
          </Line>
        ) : null}
        {other && of.angleDeg > 0 ? (
          <Line>
            {text.clamp.afterAngle({
              percent: percent(other.finalKn / curve.finalKn - 1),
              way: other.finalKn < curve.finalKn ? text.clamp.less : text.clamp.more,
            })}
          </Line>
        ) : null}
        <Line>{text.clamp.assumes}</Line>
      </Section>
      <Ways of={of} />
      <FurtherUses of={of} />
    </View>
  );
}

function otherLine(
  other: number,
  published: number,
  name: string,
  percent: (share: number) => string,
): string {
  const change = other / published - 1;
  return text.clamp.other({
    name: upperFirst(name),
    percent: percent(change),
    way: change < 0 ? text.clamp.less : text.clamp.more,
  });
}
