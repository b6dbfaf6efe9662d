import { useState } from 'react';
import { View } from 'react-native';
import { ProgressBar } from 'react-native-paper';
import { isAllowed, routes } from '@stennet/core/contract';
import type { ImportLine } from '@stennet/core/contract/work';
import { AppError, isErrorCode } from '@stennet/core/errors';
import { asAppError, useSignedIn } from '@/data';
import { refreshLibrary } from '@/data/refresh';
import { importFile, type ImportProgress } from '@/data/importFile';
import { chooseFile, openFile } from '@/platform/files';
import { BigButton, Line, Notice, Section, useInks } from '@/ui';
import { text } from '../text';

/** Sheets out as open files, and in again: first looked at, then written, all or nothing. */
export function Exchange() {
  const { me } = useSignedIn();
  const give = (form: 'json' | 'stages' | 'fasteners'): void =>
    openFile(`${routes.exportSheets.path}?form=${form}`, 'keep');
  return (
    <Section title={text.exchange}>
      {isAllowed(me.role, 'sheet.approve') ? <Import /> : <Line>{text.onlyLead}</Line>}
      <BigButton text={text.exportAll} look="quiet" size="desk" onPress={() => give('json')} />
      <BigButton text={text.exportStages} look="quiet" size="desk" onPress={() => give('stages')} />
      <BigButton
        text={text.exportFasteners}
        look="quiet"
        size="desk"
        onPress={() => give('fasteners')}
      />
    </Section>
  );
}

type Stand =
  | { at: 'choose' }
  | { at: 'busy'; file: File; mode: 'look' | 'write'; progress: ImportProgress }
  | { at: 'looked'; file: File; line: ImportLine }
  | { at: 'done'; count: number }
  | { at: 'failed'; error: AppError };

function Import() {
  const [stand, setStand] = useState<Stand>({ at: 'choose' });
  const run = async (file: File, mode: 'look' | 'write', skips: boolean): Promise<void> => {
    setStand({ at: 'busy', file, mode, progress: { sent: 0, line: null } });
    try {
      const line = await importFile(file, mode, skips, (progress) =>
        setStand({ at: 'busy', file, mode, progress: { ...progress } }),
      );
      if (line.error) return setStand({ at: 'failed', error: refused(line) });
      if (mode === 'look') return setStand({ at: 'looked', file, line });
      setStand({ at: 'done', count: line.new + line.changed });
      await refreshLibrary();
    } catch (thrown) {
      setStand({ at: 'failed', error: asAppError(thrown) });
    }
  };
  const choose = async (): Promise<void> => {
    const file = await chooseFile('.json,.csv,application/json,text/csv');
    if (file) await run(file, 'look', false);
  };
  if (stand.at === 'busy') return <Busy stand={stand} />;
  if (stand.at === 'looked')
    return (
      <Looked
        file={stand.file}
        line={stand.line}
        onWrite={(skips) => void run(stand.file, 'write', skips)}
        onCancel={() => setStand({ at: 'choose' })}
      />
    );
  return (
    <>
      {stand.at === 'failed' ? (
        <Notice title={stand.error.message} text={stand.error.fix} look="warn" alert />
      ) : null}
      {stand.at === 'done' ? (
        <Notice title={text.brought({ count: stand.count })} text={text.arrive} />
      ) : null}
      <Line>{text.chooseHelp}</Line>
      <BigButton text={text.choose} look="plain" size="desk" onPress={() => void choose()} />
    </>
  );
}

function refused({ error }: ImportLine): AppError {
  return error && isErrorCode(error.code)
    ? new AppError(error.code, error.params)
    : new AppError('INTERNAL');
}

function Busy({ stand }: { stand: Extract<Stand, { at: 'busy' }> }) {
  const inks = useInks();
  const { progress, file, mode } = stand;
  return (
    <View role="status">
      <Line strong>
        {mode === 'look' ? text.reading({ name: file.name }) : text.writing({ name: file.name })}
      </Line>
      <ProgressBar progress={progress.sent} color={inks.brand} aria-hidden />
      <Line>
        {progress.line
          ? text.read({ count: progress.line.read })
          : text.sent({ percent: Math.round(progress.sent * 100) })}
      </Line>
    </View>
  );
}

function Looked({
  file,
  line,
  onWrite,
  onCancel,
}: {
  file: File;
  line: ImportLine;
  onWrite: (skips: boolean) => void;
  onCancel: () => void;
}) {
  const count = line.new + line.changed;
  return (
    <View style={{ gap: 10 }}>
      <View role="status">
        <Line strong>{text.found({ name: file.name })}</Line>
        {(['new', 'changed', 'same'] as const).map((k) =>
          line[k] > 0 ? <Line key={k}>{`${line[k]} ${text.counts[k]}`}</Line> : null,
        )}
        {line.refusedCount > 0 ? (
          <Line strong>{`${line.refusedCount} ${text.counts.refused}`}</Line>
        ) : null}
      </View>
      {line.refused.slice(0, 12).map((r) => (
        <View key={`${r.place} ${r.sheet}`}>
          <Line strong>{[r.place, r.sheet].filter(Boolean).join(', ')}</Line>
          <Line>{r.message}</Line>
        </View>
      ))}
      {line.refusedCount > 12 ? (
        <Line>{text.refusedMore({ n: line.refusedCount - 12 })}</Line>
      ) : null}
      {count > 0 ? <Line>{text.arrive}</Line> : <Line>{text.nothing}</Line>}
      {count > 0 ? (
        <BigButton
          text={
            line.refusedCount > 0
              ? text.bringWithout({ n: count, left: line.refusedCount })
              : text.bring({ count })
          }
          size="desk"
          onPress={() => onWrite(line.refusedCount > 0)}
        />
      ) : null}
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={onCancel} />
    </View>
  );
}
