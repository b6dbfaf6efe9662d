import { commonText } from '@/language/common';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { Library } from '@stennet/core/contract/work';
import { asAppError, problemOf, useSignedIn } from '@/data';
import { setJointSheet } from '@/data/orders';
import { useBeginDraft, useLibrary, useUnsentDrafts } from '@/data/drafts';
import {
  BigButton,
  FieldRow,
  Line,
  Notice,
  ScreenFrame,
  Section,
  TextField,
  useIsWide,
  Waiting,
} from '@/ui';
import { DraftList } from './parts/DraftList';
import { Exchange } from './parts/Exchange';
import { text } from './text';

/** Where a lead keeps the sheets in order: being written, replaced, brought in, given out. */
export function LibraryScreen() {
  const library = useLibrary();
  const isWide = useIsWide();
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
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.half]}>
          <Unsent />
          <DraftList library={data} />
          <Replaced library={data} />
        </View>
        <View style={[styles.column, isWide && styles.half]}>
          <WriteNew />
          <Exchange />
        </View>
      </View>
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

function WriteNew() {
  const router = useRouter();
  const { begin } = useBeginDraft();
  const [maker, setMaker] = useState('');
  const [model, setModel] = useState('');
  const [engine, setEngine] = useState('');
  const [kind, setKind] = useState('');
  const [title, setTitle] = useState('');
  const isWhole = [maker, model, engine, kind, title].every((t) => t.trim() !== '');
  const start = (): void => {
    const key = kind
      .trim()
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40);
    void begin({
      maker: maker.trim(),
      model: model.trim(),
      engine: engine.trim(),
      kind: key,
      title: title.trim(),
    }).then((id) => router.navigate(`/drafts/${id}`));
  };
  return (
    <Section title={text.write}>
      <Line>{text.writeHelp}</Line>
      <FieldRow>
        <TextField label={text.maker} value={maker} onChange={setMaker} />
        <TextField label={text.model} value={model} onChange={setModel} />
        <TextField label={text.engine} value={engine} onChange={setEngine} />
        <TextField label={text.kind} value={kind} onChange={setKind} />
      </FieldRow>
      <TextField
        label={text.sheetTitle}
        value={title}
        onChange={setTitle}
        {...(isWhole ? { onSubmit: start } : {})}
      />
      <BigButton text={text.begin} look="plain" size="desk" onPress={start} disabled={!isWhole} />
      {isWhole ? null : <Line>{text.needs}</Line>}
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

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  half: { flex: 1, minWidth: 0 },
  replaced: { gap: 4 },
});
