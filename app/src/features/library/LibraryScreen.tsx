import { commonText } from '@/language/common';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { Library } from '@stennet/core/contract/work';
import { asAppError, problemOf, useSignedIn } from '@/data';
import { setJointSheet } from '@/data/orders';
import { useLibrary, useUnsentDrafts } from '@/data/drafts';
import { BigButton, Columns, Line, Notice, ScreenFrame, Section, Waiting } from '@/ui';
import { DraftList } from './parts/DraftList';
import { Exchange } from './parts/Exchange';
import { WriteNew } from './parts/WriteNew';
import { text } from './text';

/** Where a lead keeps the sheets in order: being written, replaced, brought in, given out. */
export function LibraryScreen() {
  const library = useLibrary();
  if (!library.data) {
    const problem = problemOf(library);
    return (
      <ScreenFrame title={text.title} back="/shop" backLabel={commonText.backToShop}>
        <Waiting problem={problem} text={text} onRetry={() => void library.refetch()} />
        {problem ? <Unsent /> : null}
      </ScreenFrame>
    );
  }
  const { data } = library;
  return (
    <ScreenFrame
      title={text.title}
      subtitle={text.standing({ count: data.standing })}
      back="/shop"
      backLabel={commonText.backToShop}
    >
      <Columns
        left={
          <>
            <Unsent />
            <DraftList library={data} />
            <Replaced library={data} />
          </>
        }
        right={
          <>
            <WriteNew />
            <Exchange />
          </>
        }
      />
    </ScreenFrame>
  );
}

/** Never lost from sight: what this device has and the server does not. */
function Unsent() {
  const router = useRouter();
  const unsent = useUnsentDrafts();
  if (unsent.length === 0) return null;
  return (
    <Section title={text.unsent}>
      <Line>{text.unsentHelp}</Line>
      {unsent.map(({ draft }) => (
        <BigButton
          key={draft.id}
          text={draft.title || text.draftUntitled}
          look="plain"
          size="desk"
          onPress={() => router.navigate(`/drafts/${draft.id}`)}
        />
      ))}
    </Section>
  );
}

function Replaced({ library }: { library: Library }) {
  const { me } = useSignedIn();
  const [problem, setProblem] = useState<string | null>(null);
  if (library.replaced.length === 0) return null;
  const take = (r: Library['replaced'][number]): void => {
    setProblem(null);
    setJointSheet(r.joint, r.sheet, r.by).catch((e: unknown) =>
      setProblem(`${asAppError(e).message} ${asAppError(e).fix}`),
    );
  };
  return (
    <Section title={text.replaced}>
      <Line>{text.replacedHelp}</Line>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {library.replaced.map((r) => (
        <View key={r.joint} style={styles.replaced}>
          <Line strong>{text.replacedLine({ number: r.number, joint: r.jointName })}</Line>
          <Line>{`${text.replacedSub({ title: r.title, revision: r.revision, by: r.by })}${r.state ? `; ${text.keeps}` : ''}`}</Line>
          {r.state === null && isAllowed(me.role, 'order.write') ? (
            <BigButton
              text={text.take({ by: r.by })}
              look="plain"
              size="desk"
              onPress={() => take(r)}
            />
          ) : null}
        </View>
      ))}
    </Section>
  );
}

const styles = StyleSheet.create({ replaced: { gap: 4 } });
