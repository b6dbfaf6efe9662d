import { useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { seatMarks } from '@stennet/core/drawing';
import { seatsOf, totalsOf, type Sheet } from '@stennet/core/procedure';
import type { Asked } from '@stennet/core/rehearse';
import { useSignedIn } from '@/data';
import { BigButton, ChoiceField, FieldRow, Line, Notice, Section } from '@/ui';
import { JointMapView, Ribbon } from '@/ui/work';
import { useEditor } from '../hooks/useEditor';
import { isEnd, useWalk } from '../hooks/useWalk';
import { text } from '../text';
/** The run as it will be asked, before anyone tightens by it. */
export function WalkTab() {
  const { draft, findings } = useEditor();
  const sheet = useDeferredValue(draft);
  const errors = findings.filter((f) => f.level === 'error').length;
  if (errors > 0) return <Notice title={text.walkErrors({ count: errors })} />;
  return (
    <>
      <Totals sheet={sheet} />
      <Walk sheet={sheet} />
    </>
  );
}

/** What each fastener is left with: a bolt that would get both angles shows here. */
function Totals({ sheet }: { sheet: Sheet }) {
  return (
    <Section title={text.totals}>
      {totalsOf(sheet).map((t) => (
        <View key={t.seats.join()}>
          <Line strong>{t.values.join(', ') || text.noValues}</Line>
          <Line>
            {[t.seats.join(', '), t.degrees === null ? '' : text.inAll({ degrees: t.degrees })]
              .filter(Boolean)
              .join(' · ')}
          </Line>
        </View>
      ))}
    </Section>
  );
}

function Walk({ sheet }: { sheet: Sheet }) {
  const labels = sheet.instances?.labels;
  const [chosen, setChosen] = useState<string | undefined>(undefined);
  const instance = chosen && labels?.includes(chosen) ? chosen : labels?.[0];
  const { walked, now, back, on, toNextStage } = useWalk(sheet, instance);
  const { ended } = walked;
  const atEnd = isEnd(walked);
  return (
    <Section title={text.walkTitle}>
      {labels ? (
        <ChoiceField
          label={text.walkInstance}
          value={instance}
          options={labels.map((value) => ({ value, text: value }))}
          onChange={setChosen}
        />
      ) : null}
      {now ? <Words asked={now} at={walked.at + 1} sheet={sheet} /> : null}
      {atEnd && ended ? (
        'stopped' in ended ? (
          <Notice title={text.walkStopped} text={ended.stopped} look="warn" alert />
        ) : (
          <Notice title={text.walkDone} />
        )
      ) : null}
      <BigButton text={text.walkOn} size="desk" onPress={on} disabled={atEnd} />
      <FieldRow>
        <BigButton
          text={text.walkStage}
          look="plain"
          size="desk"
          onPress={toNextStage}
          disabled={atEnd}
        />
        <BigButton
          text={text.walkBack}
          look="quiet"
          size="desk"
          onPress={back}
          disabled={walked.at <= 0}
        />
      </FieldRow>
      {now ? <Shown sheet={sheet} asked={now} /> : null}
    </Section>
  );
}

/** What is asked, where the eye is when the button below is pressed. */
function Words({ sheet, asked, at }: { sheet: Sheet; asked: Asked; at: number }) {
  const stage = sheet.stages[asked.state.progress.stage];
  return (
    <View role="status" aria-live="polite">
      <Line strong>{asked.words}</Line>
      <Line>{text.walkAt({ n: at, stage: stage?.name ?? '' })}</Line>
    </View>
  );
}

function Shown({ sheet, asked }: { sheet: Sheet; asked: Asked }) {
  const { format } = useSignedIn();
  const { due, state } = asked;
  const { progress } = state;
  const stage = sheet.stages[progress.stage];
  const share = stage
    ? Object.keys(progress.inPass).length / Math.max(1, seatsOf(sheet, stage).length)
    : 0;
  return (
    <View style={styles.shown}>
      <Ribbon sheet={sheet} place={{ stage: progress.stage, share }} format={format} />
      <View style={styles.map}>
        <JointMapView
          sheet={sheet}
          marks={seatMarks(sheet, progress, due.kind === 'pull' ? due.fastener : null)}
          numbers={NONE}
          label={text.walkMap({ words: asked.words })}
        />
      </View>
    </View>
  );
}

const NONE = {};
const styles = StyleSheet.create({ shown: { gap: 8 }, map: { height: 240 } });
