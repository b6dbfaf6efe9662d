import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { Next } from '@stennet/core/run';
import { BigButton, useInks } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { boltName, text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

type Found = keyof typeof text.found;
const ANSWERS: readonly Found[] = ['turned', 'notTurned', 'cannotTell'];

/** After a take-over: what the new holder sees goes before what was sent. Nothing is preselected. */
export function ReconcilePanel({ due, acts }: { due: Extract<Next, { kind: 'reconcile' }>; acts: Acts }) {
  const inks = useInks();
  const [found, setFound] = useState<Readonly<Record<string, Found>>>({});
  const answers = due.fasteners.flatMap((fastener) => (found[fastener] ? [{ fastener, found: found[fastener] }] : []));
  const isComplete = answers.length === due.fasteners.length;
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.reconcileTitle}</PanelTitle>
      <PanelBody>{text.reconcile(due.stage.name)}</PanelBody>
      {due.fasteners.map((fastener) => (
        <View key={fastener} role="group" aria-label={boltName(fastener)} style={styles.line}>
          <Text style={[styles.name, { color: inks.ink }]}>{boltName(fastener)}</Text>
          <View style={styles.answers}>
            {ANSWERS.map((a) => (
              <BigButton
                key={a}
                text={found[fastener] === a ? `✓ ${text.found[a]}` : text.found[a]}
                look={found[fastener] === a ? 'plain' : 'quiet'}
                size="desk"
                grow
                onPress={() => setFound({ ...found, [fastener]: a })}
              />
            ))}
          </View>
        </View>
      ))}
      <BigButton text={text.reconcileYes} disabled={!isComplete} onPress={() => void acts.confirm('reconciled', { stage: due.stage.id, pass: due.pass, fasteners: answers })} />
    </View>
  );
}

const styles = StyleSheet.create({
  line: { gap: 4 },
  name: { fontSize: 17, fontWeight: '700' },
  answers: { flexDirection: 'row', gap: 8 },
});
