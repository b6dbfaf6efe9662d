import { StyleSheet, View } from 'react-native';
import type { Part, Stage } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { BigButton, ChoiceField, FieldLabel, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { changed, freeId, withoutUnset, without } from '../lists';
import { options } from '../options';
import { text } from '../text';
import type { PutStage } from '../hooks/stageEdit';
import { LoosenFields } from './StageExtras';
import { ValueFields } from './TargetFields';

const partActions = () =>
  options
    .actions()
    .flatMap((o) =>
      ['handStart', 'runDown', 'torque', 'angle', 'loosen'].includes(o.value)
        ? [{ value: o.value as Part['action'], text: o.text }]
        : [],
    );

/** Inner stages: all of them on one fastener before the next is touched. */
export function PartsForm({ stage, place, put }: { stage: Stage; place: string; put: PutStage }) {
  const { problem } = useEditor();
  const inks = useInks();
  const { me } = useSignedIn();
  const parts = stage.each ?? [];
  const set = (each: Part[], key: string): void => put({ each }, `each ${key}`);
  return (
    <View style={styles.list} role="group" aria-label={text.parts}>
      <FieldLabel>{text.parts}</FieldLabel>
      {parts.map((part, i) => (
        <View key={part.id} style={[styles.one, { borderColor: inks.line }]}>
          <ChoiceField
            label={`${i + 1}. ${text.action}`}
            value={part.action}
            options={partActions()}
            onChange={(action) =>
              set(
                changed(parts, i, (p) => ({
                  id: p.id,
                  action,
                  ...(action === 'loosen' ? { loosen: 'free' as const } : {}),
                })),
                `${i} action`,
              )
            }
            problem={problem(`${place}.each.${i}`)}
          />
          {part.action === 'torque' || part.action === 'angle' ? (
            <ValueFields
              value={part.target}
              unit={part.action === 'angle' ? 'deg' : me.shop.torqueUnit}
              label={text.target}
              problem={problem(`${place}.each.${i}.target`)}
              onChange={(target, key) =>
                set(
                  changed(parts, i, (p) => withoutUnset({ ...p, target })),
                  `${i} ${key}`,
                )
              }
            />
          ) : null}
          {part.action === 'loosen' ? (
            <LoosenFields
              of={part}
              put={(over, key) =>
                set(
                  changed(parts, i, (p) => withoutUnset({ ...p, ...over })),
                  `${i} ${key}`,
                )
              }
              place={`${place}.each.${i}`}
            />
          ) : null}
          {parts.length > 2 ? (
            <BigButton
              text={text.remove}
              look="quiet"
              size="desk"
              onPress={() => set(without(parts, i), `remove ${i}`)}
            />
          ) : null}
        </View>
      ))}
      <BigButton
        text={text.addPart}
        look="quiet"
        size="desk"
        onPress={() =>
          set(
            [
              ...parts,
              {
                id: freeId(
                  parts.map((p) => p.id),
                  'part',
                ),
                action: 'angle',
              },
            ],
            `add ${parts.length}`,
          )
        }
      />
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: 10 },
  one: { borderWidth: 1, borderRadius: 10, padding: 12, gap: 10 },
});
