import { useState } from 'react';
import { View } from 'react-native';
import type { Say } from '@stennet/core/contract/work';
import type { AppError } from '@stennet/core/errors';
import { asAppError, usePeople, useSignedIn } from '@/data';
import { newId } from '@/platform/ids';
import { BigButton, ChoiceField, PinField, TextField } from '@/ui';
import type { Acts } from '../hooks/useActs';
import { useRunPlace } from '../hooks/useRunPlace';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

export interface Word {
  label: string;
  say: Say;
  look?: 'plain' | 'warn';
}

interface Props {
  acts: Acts;
  title?: string;
  /** What may be said; each is a button. */
  words: readonly Word[];
  /** Stands before what the lead writes. */
  about?: string;
  onSaid?: () => void;
  onCancel: () => void;
}

/** On the technician's device, by the lead's own PIN; a lead who holds the run says it without. */
export function LeadWord({
  acts,
  title = text.leadTitle,
  words,
  about = '',
  onSaid,
  onCancel,
}: Props) {
  const { me } = useSignedIn();
  const place = useRunPlace();
  const people = usePeople();
  const leads = place.practice
    ? [{ id: me.person.id, name: text.practice.lead }]
    : (people.data?.people.filter(
        (p) => p.role === 'lead' && (p.hasPin || p.id === me.person.id),
      ) ?? []);
  const [chosen, setChosen] = useState<string | null>(null);
  const [pin, setPin] = useState('');
  const [why, setWhy] = useState('');
  const [error, setError] = useState<AppError | null>(null);
  // Sent again after a lost answer, it is the same statement.
  const [id] = useState(newId);
  const lead = leads.find(
    (p) => p.id === (chosen ?? (leads.length === 1 ? leads[0]?.id : undefined)),
  );
  const isSelf = lead?.id === me.person.id && (me.role === 'lead' || place.practice !== null);
  const said = [about, why.trim()].filter(Boolean).join(' ').slice(0, 400);
  const speak = async (word: Say): Promise<void> => {
    if (!lead) return;
    try {
      const statement = await place.say(acts.run, {
        id,
        lead: lead.id,
        pin: isSelf ? null : pin,
        say: word,
        ...(said ? { text: said } : {}),
      });
      if (await acts.confirm('used', { statement })) onSaid?.();
    } catch (e) {
      setError(asAppError(e));
      setPin('');
    }
  };
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{title}</PanelTitle>
      {error ? (
        <View role="alert">
          <PanelBody>{`${error.message} ${error.fix}`}</PanelBody>
        </View>
      ) : null}
      {people.data && leads.length === 0 ? <PanelBody>{text.leadNone}</PanelBody> : null}
      {leads.length > 1 ? (
        <ChoiceField
          label={text.leadWho}
          value={lead?.id}
          options={leads.map((p) => ({ value: p.id, text: p.name }))}
          onChange={setChosen}
        />
      ) : null}
      {about ? <PanelBody>{about}</PanelBody> : null}
      <TextField label={text.leadWhy} value={why} onChange={(t) => setWhy(t.slice(0, 300))} />
      {lead && !isSelf ? (
        <PinField label={text.leadPin({ name: lead.name })} value={pin} onChange={setPin} />
      ) : null}
      {words.map((w) => (
        <BigButton
          key={w.label}
          text={w.label}
          look={w.look ?? 'plain'}
          disabled={!lead || (!isSelf && pin.length < 4)}
          onPress={() => void speak(w.say)}
        />
      ))}
      <BigButton text={text.cancel} look="quiet" onPress={onCancel} />
    </View>
  );
}
