import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { clampMap, type ClampPlace } from '@stennet/core/drawing';
import type { PracticeResult } from '@stennet/core/practice';
import type { Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { BigButton, DrawingView, Line, Section } from '@/ui';
import { RangeField } from '@/ui/work';
import { text } from '../text';

const STEP_MS = 700;

/** The joint again, pull by pull: how tight each bolt was. It plays only when asked to. */
export function Replay({ result, sheet }: { result: PracticeResult; sheet: Sheet }) {
  const { format } = useSignedIn();
  const [at, setAt] = useState(result.replay.length);
  const [isPlaying, setPlaying] = useState(false);
  const isOver = at >= result.replay.length;
  useEffect(() => {
    if (!isPlaying || isOver) return;
    const next = setTimeout(() => setAt(at + 1), STEP_MS);
    return () => clearTimeout(next);
  }, [isPlaying, isOver, at]);
  const now = at > 0 ? result.replay[at - 1] : undefined;
  const said = now ? text.result.at({ n: at, bolt: now.seat }) : text.result.before;
  const places = placesAt(result, sheet, at);
  const labels = new Set(Object.keys(places));
  const shown = sheet.pattern.positions.filter((p) => labels.has(p.label));
  const drawing = clampMap(shown, places);
  return (
    <Section title={text.result.replay}>
      <View style={{ aspectRatio: drawing.width / drawing.height, maxHeight: 320 }}>
        <DrawingView
          drawing={drawing}
          label={text.result.mapLabel({
            said,
            bolts: shown
              .map((p) => `${p.label}: ${format.number(places[p.label]?.nowKn ?? 0, 0)} kN`)
              .join(', '),
          })}
          width="100%"
          height="100%"
        />
      </View>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <BigButton
          text={isPlaying && !isOver ? text.result.pause : text.result.play}
          look="plain"
          size="desk"
          onPress={() => {
            if (isOver) setAt(0);
            setPlaying(!isPlaying || isOver);
          }}
        />
        <RangeField
          label={text.result.scrub}
          value={at}
          max={result.replay.length}
          said={said}
          onChange={(to) => {
            setPlaying(false);
            setAt(to);
          }}
        />
      </View>
      <Line>{said}</Line>
    </Section>
  );
}

/** What each bolt has after so many pulls, beside what it had right after its own last. */
function placesAt(
  { replay, bolts }: PracticeResult,
  sheet: Sheet,
  at: number,
): Record<string, ClampPlace> {
  const done = replay.slice(0, at);
  const last = done.at(-1);
  return Object.fromEntries(
    bolts.map(({ seat }, i) => {
      const own = done.findLast((p) => p.seat === seat);
      return [
        sheet.seats.find((s) => s.id === seat)?.position ?? seat,
        {
          nowKn: last?.clampsKn[i] ?? 0,
          pulledToKn: own?.clampsKn[i] ?? 0,
          isNext: last?.seat === seat,
        },
      ];
    }),
  );
}
