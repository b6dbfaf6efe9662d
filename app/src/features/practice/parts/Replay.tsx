import { useState } from 'react';
import { View } from 'react-native';
import { clampMap, type ClampPlace } from '@stennet/core/drawing';
import type { PracticeResult } from '@stennet/core/practice';
import type { Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { DrawingView, Line, Section } from '@/ui';
import { PlayBar } from '@/ui/work';
import { text } from '../text';

/** The joint again, pull by pull: how tight each bolt was. It plays only when asked to. */
export function Replay({ result, sheet }: { result: PracticeResult; sheet: Sheet }) {
  const { format } = useSignedIn();
  const [at, setAt] = useState(result.replay.length);
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
      <PlayBar at={at} of={result.replay.length} said={said} words={text.result} onAt={setAt} />
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
