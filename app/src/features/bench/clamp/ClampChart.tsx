import { View } from 'react-native';
import { Text } from 'react-native-paper';
import type { ClampCase, ClampCurve } from '@stennet/core/clamp';
import { FRICTION_TEXT } from '@stennet/core/thread';
import { useSignedIn } from '@/data';
import { FONT, useInks } from '@/ui';
import { ChartFrame, LineChart, roundStep } from '@/ui/work';
import { text } from '../text';
import type { ClampForm } from './clampForm';

const SECTIONS = 4;
const Y_LABELS = 40;

/** Clamp load over torque, then angle; what yields is a dashed line, another lubricant dotted. */
export function ClampChart({
  of,
  curve,
  other,
  beside,
}: {
  of: ClampCase;
  curve: ClampCurve;
  other: ClampCurve | null;
  beside: ClampForm['beside'];
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const line = (c: ClampCurve): { value: number }[] =>
    [...c.byTorque, ...c.byAngle.slice(1)].map((p) => ({ value: p.preloadKn }));
  const count = line(curve).length;
  const most = Math.max(curve.yieldKn, curve.finalKn, other?.finalKn ?? 0);
  const step = roundStep(most / SECTIONS);
  const soft = { color: inks.inkSoft, fontFamily: FONT, fontSize: 13 };
  const torqueShare = curve.byTorque.length / count;
  const kn = (n: number): string => format.quantity({ value: n, unit: 'kN' }).text;
  const torque = format.quantity({ value: of.torqueNm, unit: 'N.m' }).text;
  return (
    <>
      <ChartFrame
        height={249}
        label={text.clamp.chartLabel({
          torque,
          atTorque: kn(curve.byTorque.at(-1)?.preloadKn ?? 0),
          final: kn(curve.finalKn),
          yields: kn(curve.yieldKn),
          beside:
            other && beside !== 'none' ? `${FRICTION_TEXT[beside]}: ${kn(other.finalKn)}` : '',
        })}
      >
        {(width) => (
          <>
            <Text style={soft}>{text.clamp.axis}</Text>
            <LineChart
              dataSet={[
                {
                  data: line(curve),
                  color: inks.brand,
                  thickness: 4,
                  hideDataPoints: true,
                },
                ...(other
                  ? [
                      {
                        data: line(other),
                        color: inks.ink,
                        thickness: 3,
                        strokeDashArray: [3, 6],
                        hideDataPoints: true,
                      },
                    ]
                  : []),
              ]}
              height={200}
              width={width - 60}
              spacing={(width - 76) / Math.max(1, count - 1)}
              initialSpacing={4}
              endSpacing={0}
              maxValue={step * SECTIONS}
              noOfSections={SECTIONS}
              yAxisTextStyle={soft}
              yAxisLabelWidth={Y_LABELS}
              yAxisColor={inks.line}
              xAxisColor={inks.line}
              rulesColor={inks.line}
              showReferenceLine1
              referenceLine1Position={curve.yieldKn}
              referenceLine1Config={{
                color: inks.warn,
                thickness: 2,
                dashWidth: 8,
                dashGap: 5,
                labelText: text.clamp.yields,
                labelTextStyle: { ...soft, color: inks.warnText, right: 4, top: 2 },
              }}
              disableScroll
              xAxisLabelsHeight={0}
            />
            <View style={{ flexDirection: 'row', marginLeft: Y_LABELS }}>
              <Text style={[soft, { flex: torqueShare, textAlign: 'right' }]}>{torque}</Text>
              <Text style={[soft, { flex: 1 - torqueShare, textAlign: 'right', paddingRight: 16 }]}>
                {of.angleDeg > 0 ? format.angle(of.angleDeg) : ''}
              </Text>
            </View>
          </>
        )}
      </ChartFrame>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 16 }}>
        <Text style={{ fontSize: 15, color: inks.ink }}>
          <Text style={{ color: inks.brand }}>━━ </Text>
          {FRICTION_TEXT[of.condition]}
        </Text>
        {other && beside !== 'none' ? (
          <Text style={{ fontSize: 15, color: inks.ink }}>{`· · · ${FRICTION_TEXT[beside]}`}</Text>
        ) : null}
      </View>
    </>
  );
}
