import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { stripeDial } from '@stennet/core/drawing';
import { groupOfSeat } from '@stennet/core/procedure';
import { seatIdOf, type Next, type RunState } from '@stennet/core/run';
import { BigButton, useInks } from '@/ui';
import { DrawingView } from '@/ui/work';
import type { Acts } from '../hooks/useActs';
import { fastenerName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';
import { stripePlaces } from './StripeForm';

type Found = keyof typeof text.found;
const ANSWERS: readonly Found[] = ['turned', 'notTurned', 'cannotTell'];

/**
 * After a take-over: what the new holder sees goes before what was sent. Nothing is preselected.
 */
export function ReconcilePanel({
  due,
  state,
  acts,
}: {
  due: Extract<Next, { kind: 'reconcile' }>;
  state: RunState;
  acts: Acts;
}) {
  const inks = useInks();
  const [found, setFound] = useState<Readonly<Record<string, Found>>>({});
  const answers = due.fasteners.flatMap((fastener) =>
    found[fastener] ? [{ fastener, found: found[fastener] }] : [],
  );
  const places =
    due.stage.action === 'angle' && due.fasteners[0]
      ? stripePlaces(state, due.fasteners[0], due.stage.id)
      : null;
  const isComplete = answers.length === due.fasteners.length;
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.reconcileTitle}</PanelTitle>
      <PanelBody>{text.reconcile({ stage: due.stage.name })}</PanelBody>
      {places ? (
        <>
          <View style={{ alignItems: 'center' }}>
            <DrawingView
              drawing={stripeDial(
                places.before,
                places.target,
                groupOfSeat(state.sheet, seatIdOf(due.fasteners[0] ?? '')).head,
              )}
              label={text.stripeDrawn({
                before: places.before,
                target: places.before + places.target,
              })}
              width={140}
              height={140}
            />
          </View>
          <PanelBody strong>
            {text.reconcileAngle({ before: places.before, target: places.before + places.target })}
          </PanelBody>
        </>
      ) : null}
      {due.fasteners.map((fastener) => (
        <View
          key={fastener}
          role="group"
          aria-label={fastenerName(state.sheet, fastener)}
          style={styles.line}
        >
          <Text style={[styles.name, { color: inks.ink }]}>
            {fastenerName(state.sheet, fastener)}
          </Text>
          <View style={styles.answers}>
            {ANSWERS.map((a) => (
              <BigButton
                key={a}
                text={found[fastener] === a ? `✓ ${text.found[a]}` : text.found[a]}
                {...(places && a !== 'cannotTell'
                  ? {
                      hint: text.stripeAt({
                        deg: a === 'turned' ? places.before + places.target : places.before,
                      }),
                    }
                  : {})}
                look={found[fastener] === a ? 'plain' : 'quiet'}
                grow
                onPress={() => setFound({ ...found, [fastener]: a })}
              />
            ))}
          </View>
        </View>
      ))}
      <BigButton
        text={text.reconcileYes}
        disabled={!isComplete}
        onPress={() =>
          void acts.confirm('reconciled', {
            stage: due.stage.id,
            pass: due.pass,
            fasteners: answers,
          })
        }
      />
    </View>
  );
}

const styles = StyleSheet.create({
  line: { gap: 4 },
  name: { fontSize: 17, fontWeight: '700' },
  answers: { flexDirection: 'row', gap: 8 },
});
