import { useState } from 'react';
import { View } from 'react-native';
import { asAppError, useSignedIn } from '@/data';
import { draftOnServer, forgetDraft, type Editing } from '@/data/drafts';
import { BigButton, Line, Notice, useIsWide } from '@/ui';
import { text } from '../text';

/** What the server did not take stays here; the writer says which one goes on. */
export function Refused({ editing, onReload }: { editing: Editing; onReload: () => void }) {
  const { me } = useSignedIn();
  const { keeper, state } = editing;
  const isWide = useIsWide();
  const [problem, setProblem] = useState<string | null>(null);
  const { refused, kept } = state;
  if (!refused) {
    return isWide ? null : (
      <View role="status">
        <Line>{text.saving[state.saving]}</Line>
      </View>
    );
  }
  const sheet = kept.draft.id;
  const mine = async (): Promise<void> => {
    const theirs = await draftOnServer(sheet).catch((e: unknown) =>
      asAppError(e).code === 'NOT_FOUND' ? null : undefined,
    );
    if (theirs === undefined) setProblem(text.notNow);
    else keeper.goOnOver(theirs?.version ?? 0);
  };
  const take = async (): Promise<void> => {
    keeper.stop();
    await forgetDraft(me, sheet);
    onReload();
  };
  return (
    <>
      <Notice
        title={text.refusedTitle}
        text={`${refused.message} ${refused.fix}`}
        look="warn"
        alert
      />
      {problem ? <Notice title={problem} alert /> : null}
      <BigButton text={text.keepMine} look="plain" size="desk" onPress={() => void mine()} />
      {refused.code === 'DRAFT_CHANGED' ? (
        <BigButton text={text.takeTheirs} look="quiet" size="desk" onPress={() => void take()} />
      ) : null}
    </>
  );
}
