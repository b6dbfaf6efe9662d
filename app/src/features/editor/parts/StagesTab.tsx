import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { stageWords, type Sheet, type Stage } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { BigButton, Chip, FieldRow, Line, pressedBySpace, Section } from '@/ui';
import { Ribbon } from '@/ui/work';
import { useEditor } from '../hooks/useEditor';
import { stagesIn, withStagesIn, type StageList } from '../hooks/stageEdit';
import { freeId, insertedAt, moved, without } from '../lists';
import { text } from '../text';
import { DoAgain } from './DoAgain';
import { SortList } from './SortList';
import { StageForm } from './StageForm';

/** Tightening, teardown, and each follow-up that tightens again. */
const listsOf = ({ after }: Sheet): { list: StageList; text: string }[] => [
  { list: 'stages', text: text.procedure },
  { list: 'takeApart', text: text.takeApart },
  ...after.flatMap((a, i) =>
    a.kind === 'retighten' || a.stages
      ? [
          {
            list: `after.${i}.stages` as const,
            text: text.afterStages({ what: a.text.slice(0, 30) || a.id }),
          },
        ]
      : [],
  ),
];

/** The procedure on its ribbon: a stage is tapped there and edited beneath. */
export function StagesTab({ onTapOrder }: { onTapOrder: (stageId: string) => void }) {
  const { draft, change, problem } = useEditor();
  const { format } = useSignedIn();
  const [list, setList] = useState<StageList>('stages');
  const [chosen, setChosen] = useState(0);
  const stages = stagesIn(draft, list);
  const at = Math.min(chosen, stages.length - 1);
  const stage = stages[at];
  const put = (next: Stage[]): void => change((d) => withStagesIn(d, list, next));
  const add = (): void => {
    const id = freeId(
      [...draft.stages, ...draft.takeApart, ...draft.after.flatMap((a) => a.stages ?? [])].map(
        (s) => s.id,
      ),
      'stage',
    );
    const fresh: Stage =
      list === 'takeApart'
        ? { id, name: 'slacken', on: ['all'], action: 'loosen', loosen: 'free' }
        : { id, name: '', on: ['all'], action: 'torque' };
    put(insertedAt(stages, at + 1, fresh));
    setChosen(at + 1);
  };
  return (
    <>
      <Section title={text.tabs.stages}>
        <View role="radiogroup" aria-label={text.which} style={styles.wrap}>
          {listsOf(draft).map((l) => (
            <Chip
              key={l.list}
              role="radio"
              text={l.text}
              on={list === l.list}
              onPress={() => setList(l.list)}
            />
          ))}
        </View>
        {stages.length > 0 ? (
          <View>
            <Ribbon
              sheet={{ stages }}
              place={{ stage: at, share: 0 }}
              format={format}
              height={78}
            />
            <View
              role="radiogroup"
              aria-label={text.tabs.stages}
              style={[StyleSheet.absoluteFill, styles.slots]}
            >
              {stages.map((s, i) => (
                <TouchableRipple
                  key={s.id}
                  role={'radio' as never}
                  aria-checked={i === at}
                  aria-label={`${text.stageOf({ n: i + 1, of: stages.length })}: ${s.name || s.action}`}
                  onPress={() => setChosen(i)}
                  {...pressedBySpace(() => setChosen(i))}
                  style={styles.slot}
                >
                  <View />
                </TouchableRipple>
              ))}
            </View>
          </View>
        ) : (
          <Line>{text.noStages}</Line>
        )}
        {stages.length === 0 && list === 'stages' && problem('stages', true) ? (
          <Line>{problem('stages', true)}</Line>
        ) : null}
        <FieldRow>
          <BigButton
            text={stages.length === 0 ? text.addFirstStage : text.addStage}
            look="plain"
            size="desk"
            onPress={add}
          />
          {stage ? (
            <BigButton
              text={text.removeStage}
              look="warn"
              size="desk"
              onPress={() => put(without(stages, at))}
            />
          ) : null}
        </FieldRow>
        {stages.length > 1 ? (
          <SortList
            label={text.sortStages}
            items={stages.map((s) => ({ id: s.id, text: s.name || stageWords(s, format) }))}
            onMove={(from, to) => {
              put(moved(stages, from, to));
              setChosen(to);
            }}
          />
        ) : null}
      </Section>
      {stage ? (
        <>
          <StageForm key={stage.id} stage={stage} at={at} list={list} onTapOrder={onTapOrder} />
          <DoAgain
            key={`${list} ${stage.id}`}
            stages={stages}
            at={at}
            onPut={(next, last) => {
              put(next);
              setChosen(last);
            }}
          />
        </>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  wrap: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  slots: { flexDirection: 'row' },
  slot: { flex: 1, minHeight: 48 },
});
