import { Link } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { DraftBrief, Library } from '@stennet/core/contract/work';
import { asAppError, useSignedIn } from '@/data';
import { approveDrafts } from '@/data/orders';
import { now } from '@/platform/clock';
import { BigButton, Line, Notice, Section, useInks } from '@/ui';
import { readiness, text } from '../text';

/** So many are approved in one go; the rest follow. */
const AT_ONCE = 100;
const SHOWN = 60;

/** What is being written, by whom, and how far it is. */
export function DraftList({ library }: { library: Library }) {
  const { drafts } = library;
  return (
    <Section title={text.drafts}>
      {drafts.length === 0 ? <Line>{text.noDrafts}</Line> : null}
      <View role="list" style={styles.list}>
        {drafts.slice(0, SHOWN).map((d) => (
          <DraftCard key={d.sheet} draft={d} />
        ))}
      </View>
      <ApproveAll library={library} />
    </Section>
  );
}

function DraftCard({ draft }: { draft: DraftBrief }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const title = draft.title || text.draftUntitled;
  return (
    <View role="listitem" style={[styles.card, { borderColor: inks.line }]}>
      <Link
        href={`/drafts/${draft.sheet}`}
        aria-label={text.open({ t: title })}
        style={styles.link}
      >
        <View style={styles.inner}>
          <Line strong>{title}</Line>
          <Line>
            {text.draftSub({ where: `${draft.maker} ${draft.engine}`, revision: draft.revision })}
          </Line>
          <Line>{`${text.draftBy({ name: draft.editor.name, ago: format.ago(new Date(draft.editedAt), now()) })}${draft.imported ? `, ${text.imported}` : ''}`}</Line>
          <Line strong={draft.errors === 0}>{readiness(draft)}</Line>
        </View>
      </Link>
    </View>
  );
}

/**
 * A library that came from a file is approved whole; each that has something to answer is opened by
 * itself.
 */
function ApproveAll({ library }: { library: Library }) {
  const { me } = useSignedIn();
  const [done, setDone] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const ready = library.drafts.filter(
    (d) =>
      d.imported &&
      d.errors === 0 &&
      d.warnings === 0 &&
      (library.soleLead || d.editor.id !== me.person.id),
  );
  if (!isAllowed(me.role, 'sheet.approve') || ready.length === 0) return null;
  const approve = async (): Promise<void> => {
    setProblem(null);
    try {
      for (let at = 0; at < ready.length; at += AT_ONCE) {
        setDone(at);
        await approveDrafts(
          ready
            .slice(at, at + AT_ONCE)
            .map((d) => ({ sheet: d.sheet, version: d.version, seen: [] })),
        );
      }
    } catch (thrown) {
      const error = asAppError(thrown);
      setProblem(`${error.message} ${error.fix}`);
    }
    setDone(null);
  };
  return (
    <>
      <Line>{text.approveAllHelp}</Line>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      <BigButton
        text={
          done === null
            ? text.approveAll({ count: ready.length })
            : text.approving({ done, of: ready.length })
        }
        look="plain"
        size="desk"
        disabled={done !== null}
        onPress={() => void approve()}
      />
    </>
  );
}

const styles = StyleSheet.create({
  list: { gap: 10 },
  card: { borderWidth: 1, borderRadius: 12, overflow: 'hidden' },
  link: { display: 'flex' },
  inner: { padding: 12, width: '100%' },
});
