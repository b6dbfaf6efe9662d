import { useState } from 'react';
import { View } from 'react-native';
import { BigButton, TextField } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { text } from '../text';
import { PanelTitle } from './PanelText';

/** A step that cannot be done: what stays undone is said, and waits for the lead by name. */
export function GiveUp({ step, acts }: { step: string; acts: Acts }) {
  const [note, setNote] = useState<string | null>(null);
  if (note === null)
    return <BigButton text={text.giveUp} look="quiet" onPress={() => setNote('')} />;
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.giveUpTitle}</PanelTitle>
      <TextField label={text.giveUpLabel} value={note} onChange={(t) => setNote(t.slice(0, 400))} />
      <BigButton
        text={text.giveUpYes}
        look="warn"
        disabled={!note.trim()}
        onPress={() =>
          void acts.confirm('failed', { step, kind: 'stepAbandoned', note: note.trim() })
        }
      />
      <BigButton text={text.cancel} look="quiet" onPress={() => setNote(null)} />
    </View>
  );
}
