import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import type { BenchJoint, PulledJoint, TriedOrder } from '@stennet/core/bench';
import { clampMap, SLACK_SHARE, type ClampPlace } from '@stennet/core/drawing';
import { useSignedIn } from '@/data';
import { useBenchWork } from '@/data/benchWork';
import { DrawingView, Line, Section, useInks } from '@/ui';
import { PlayBar } from '@/ui/work';
import { text } from '../text';

const SEED = 11;

/** One joint pulled bolt by bolt: what is left on each, at any moment of it. */
export function PlayedJoint({ joint, order }: { joint: BenchJoint; order: TriedOrder }) {
  const { result } = useBenchWork(`pulls ${JSON.stringify([joint, order.order])}`, (bench) =>
    bench.pullByPull(joint, order.order, SEED, true),
  );
  return (
    <Section title={text.pulls.title}>
      {result ? (
        <Played key={order.order.join(' ')} joint={joint} pulled={result} />
      ) : (
        <Line>{text.pulls.busy}</Line>
      )}
    </Section>
  );
}

function Played({ joint, pulled }: { joint: BenchJoint; pulled: PulledJoint }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const pulls = pulled.passes.flatMap((pass, p) =>
    pass.pulls.map((pull) => ({ ...pull, pass, number: p + 1 })),
  );
  const [at, setAt] = useState(pulled.passes[0]?.pulls.length ?? 1);
  const now = at > 0 ? pulls[at - 1] : undefined;
  const places = placesAt(joint, pulls.slice(0, at), pulls[at]?.label);
  const slack = joint.places.filter((p) => isSlack(places[p.label]));
  const value = (pass: PulledJoint['passes'][number]): string =>
    pass.mode === 'angle'
      ? format.angle(pass.value)
      : format.quantity({ value: pass.value, unit: 'N.m' }).text;
  const said = now
    ? text.pulls.at({ bolt: now.label, value: value(now.pass), pass: now.number })
    : text.pulls.start;
  const drawing = clampMap(joint.places, places);
  return (
    <>
      <Text role="status" style={{ fontSize: 18, fontWeight: '700', color: inks.ink }}>
        {slack.length > 0 ? text.pulls.slack({ count: slack.length }) : said}
      </Text>
      <View style={{ aspectRatio: drawing.width / drawing.height, maxHeight: 320 }}>
        <DrawingView
          drawing={drawing}
          label={text.pulls.mapLabel({
            said,
            bolts: joint.places
              .map((p) => `${p.label}: ${format.number(places[p.label]?.nowKn ?? 0, 0)} kN`)
              .join(', '),
          })}
          width="100%"
          height="100%"
        />
      </View>
      <Bars joint={joint} places={places} />
      <PlayBar at={at} of={pulls.length} said={said} words={text.pulls} onAt={setAt} />
      <Line>{said}</Line>
      <Line>{text.pulls.honest}</Line>
    </>
  );
}

type Place = ClampPlace;
const isSlack = (p: Place | undefined): boolean =>
  Boolean(p && p.pulledToKn > 0 && p.nowKn < SLACK_SHARE * p.pulledToKn);

/** What each bolt has after these pulls, beside what it had right after its own last. */
function placesAt(
  { places }: BenchJoint,
  done: readonly { label: string; turnedDeg: number; forcesKn: number[] }[],
  next: string | undefined,
): Record<string, Place> {
  const last = done.at(-1)?.forcesKn;
  return Object.fromEntries(
    places.map((p, i) => {
      const own = done.findLast((d) => d.label === p.label && d.turnedDeg > 0);
      return [
        p.label,
        {
          nowKn: last?.[i] ?? 0,
          pulledToKn: own?.forcesKn[i] ?? 0,
          isNext: p.label === next,
        },
      ];
    }),
  );
}

/** The same as bars, in the order of the labels: dashed is what each was pulled to. */
function Bars({ joint, places }: { joint: BenchJoint; places: Record<string, Place> }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const rows = [...joint.places].sort((a, b) =>
    a.label.localeCompare(b.label, undefined, { numeric: true }),
  );
  const most = Math.max(
    0.001,
    ...rows.map((p) => Math.max(places[p.label]?.nowKn ?? 0, places[p.label]?.pulledToKn ?? 0)),
  );
  const height = (kn: number): `${number}%` => `${(kn / most) * 100}%`;
  return (
    <View aria-hidden style={{ gap: 4 }}>
      <Text style={{ fontSize: 15, color: inks.inkSoft }}>{text.pulls.bars}</Text>
      <View style={{ flexDirection: 'row', gap: 3, height: 110, alignItems: 'flex-end' }}>
        {rows.map((p) => {
          const at = places[p.label];
          const isLow = isSlack(at);
          return (
            <View key={p.label} style={{ flex: 1, alignItems: 'center', height: '100%' }}>
              <View style={{ flex: 1, width: '100%', justifyContent: 'flex-end' }}>
                <View
                  style={{
                    position: 'absolute',
                    left: 2,
                    right: 2,
                    bottom: 0,
                    height: height(at?.pulledToKn ?? 0),
                    borderWidth: 1,
                    borderStyle: 'dashed',
                    borderColor: inks.partEdge,
                  }}
                />
                <View
                  style={{
                    marginHorizontal: 2,
                    height: height(at?.nowKn ?? 0),
                    backgroundColor: isLow ? inks.warn : inks.paint,
                  }}
                />
              </View>
              <Text
                style={{
                  fontSize: rows.length > 14 ? 9 : 12,
                  fontWeight: isLow ? '700' : '400',
                  color: isLow ? inks.warnText : inks.ink,
                }}
              >
                {format.number(at?.nowKn ?? 0, 0)}
              </Text>
              <Text style={{ fontSize: rows.length > 14 ? 9 : 12, color: inks.inkSoft }}>
                {p.label}
              </Text>
            </View>
          );
        })}
      </View>
    </View>
  );
}
