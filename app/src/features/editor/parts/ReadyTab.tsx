import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { isAllowed } from '@stennet/core/contract';
import { findingKey, isApprovable, type DraftFinding } from '@stennet/core/draft';
import { AppError } from '@stennet/core/errors';
import { differences } from '@stennet/core/procedure';
import { asAppError, useSignedIn } from '@/data';
import { approveDrafts } from '@/data/orders';
import { forgetDraft, type Editing, discardDraft } from '@/data/drafts';
import { BigButton, Chip, Line, Notice, Section, useInks } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { placeWords } from '../placeWords';
import { text, type Tab } from '../text';

/** What stands in the way, what must be answered, and the word of a lead. */
type Go = (tab: Tab) => void;

export function ReadyTab({ editing, onTab }: { editing: Editing; onTab: Go }) {
  const { draft, findings } = useEditor();
  const [seen, setSeen] = useState<readonly string[]>([]);
  const of = (level: DraftFinding['level']): DraftFinding[] =>
    findings.filter((f) => f.level === level);
  const warnings = of('warning');
  const isReady = isApprovable(findings) && warnings.every((f) => seen.includes(findingKey(f)));
  return (
    <>
      {isApprovable(findings) && warnings.length === 0 ? (
        <Notice title={text.ready} text={text.compare} />
      ) : null}
      <Findings title={text.errors} findings={of('error')} onTab={onTab} />
      {warnings.length > 0 ? (
        <Section title={text.warnings}>
          {warnings.map((f) => {
            const key = findingKey(f);
            const isSeen = seen.includes(key);
            return (
              <FindingLine key={key} finding={f} onTab={onTab}>
                <Chip
                  role="checkbox"
                  text={OF_THE_PAGE.includes(f.code) ? text.printedSo : text.meant}
                  on={isSeen}
                  onPress={() => setSeen(isSeen ? seen.filter((s) => s !== key) : [...seen, key])}
                />
              </FindingLine>
            );
          })}
        </Section>
      ) : null}
      <Findings title={text.notes} findings={of('note')} onTab={onTab} />
      <Against editing={editing} />
      <Approve editing={editing} seen={seen} isReady={isReady} />
      <Discard editing={editing} />
      <Line>{draft.id}</Line>
    </>
  );
}

/** What only the page can answer. */
const OF_THE_PAGE: readonly DraftFinding['code'][] = [
  'anotherUnit',
  'unitFactor',
  'unitUnlike',
  'implausible',
  'angleImplausible',
  'oneTimeUseHinted',
];

function Findings({
  title,
  findings,
  onTab,
}: {
  title: string;
  findings: readonly DraftFinding[];
  onTab: Go;
}) {
  if (findings.length === 0) return null;
  return (
    <Section title={title}>
      {findings.map((f) => (
        <FindingLine key={`${findingKey(f)} ${f.message}`} finding={f} onTab={onTab} />
      ))}
    </Section>
  );
}

/** Tapped, it leads to the part of the sheet where it is mended. */
function FindingLine({
  finding,
  onTab,
  children,
}: {
  finding: DraftFinding;
  onTab: Go;
  children?: ReactNode;
}) {
  const inks = useInks();
  const tab = tabOf(finding.place);
  const words = `${placeWords(finding.place)}: ${finding.message}`;
  return (
    <View style={[styles.finding, { borderColor: inks.line }]}>
      <TouchableRipple
        role="button"
        aria-label={`${words} ${text.goTo({ tab: text.tabs[tab] })}`}
        onPress={() => onTab(tab)}
        style={styles.press}
      >
        <View>
          <Line strong>{placeWords(finding.place)}</Line>
          <Line>{finding.message}</Line>
        </View>
      </TouchableRipple>
      {children}
    </View>
  );
}

const TAB_OF: Record<string, Tab> = {
  groups: 'fasteners',
  stages: 'stages',
  takeApart: 'stages',
  steps: 'steps',
  clocks: 'steps',
  pattern: 'places',
  seats: 'places',
};
const tabOf = (place: string): Tab => TAB_OF[place.split('.')[0] ?? ''] ?? 'about';

/** Against the revision it was begun from: what a lead looks at first. */
function Against({ editing }: { editing: Editing }) {
  const { draft } = useEditor();
  const { basedOn, related } = editing.state.kept;
  const base = related.find((r) => r.id === draft.id && r.revision === basedOn);
  if (!base) return null;
  const said = differences(draft, base);
  return (
    <Section title={text.differs}>
      {said.map((d) => (
        <Line key={d.text} strong={d.isGrave}>
          {d.text}
        </Line>
      ))}
    </Section>
  );
}

function Approve({
  editing,
  seen,
  isReady,
}: {
  editing: Editing;
  seen: readonly string[];
  isReady: boolean;
}) {
  const { me } = useSignedIn();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<AppError | null>(null);
  const { draft } = editing.state.kept;
  if (!isAllowed(me.role, 'sheet.approve')) return <Notice title={text.onlyLead} />;
  const approve = async (): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      // What the lead looks at is what is approved: the last letter first goes to the server.
      await editing.keeper.flush();
      const { kept, refused } = editing.keeper.state();
      if (refused) throw refused;
      // The server still has an older one: that would be approved, not what is on the screen.
      if (kept.dirty) throw new AppError('OFFLINE');
      const [done] = await approveDrafts([
        { sheet: draft.id, version: kept.version, seen: [...seen] },
      ]);
      editing.keeper.stop();
      await forgetDraft(me, draft.id);
      if (done) router.replace(`/sheets/${done.sheet}/${done.revision}`);
    } catch (thrown) {
      setError(asAppError(thrown));
      setBusy(false);
    }
  };
  return (
    <>
      {error ? (
        <Notice
          title={error.message}
          text={
            error.code === 'OWN_DRAFT'
              ? text.notOwn
              : error.code === 'OFFLINE'
                ? text.approveOnline
                : error.fix
          }
          look="warn"
          alert
        />
      ) : null}
      <BigButton
        text={busy ? text.approving : text.approve({ r: draft.revision })}
        size="desk"
        onPress={() => void approve()}
        disabled={!isReady || busy}
      />
    </>
  );
}

function Discard({ editing }: { editing: Editing }) {
  const { me } = useSignedIn();
  const router = useRouter();
  const [asked, setAsked] = useState(false);
  const [error, setError] = useState<AppError | null>(null);
  const { draft, version } = editing.state.kept;
  const discard = async (): Promise<void> => {
    try {
      if (version > 0) {
        await discardDraft(draft.id, editing.keeper.state().kept.version);
      }
      editing.keeper.stop();
      await forgetDraft(me, draft.id);
      router.replace('/library');
    } catch (thrown) {
      setError(asAppError(thrown));
    }
  };
  return (
    <>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <BigButton
        text={asked ? text.discardSure : text.discard}
        look="warn"
        size="desk"
        onPress={() => (asked ? void discard() : setAsked(true))}
      />
    </>
  );
}

const styles = StyleSheet.create({
  finding: { borderTopWidth: 1, gap: 8, paddingTop: 4 },
  press: { minHeight: 48, justifyContent: 'center' },
});
