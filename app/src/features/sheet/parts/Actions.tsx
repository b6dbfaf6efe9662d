import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { isAllowed, routes } from '@stennet/core/contract';
import type { SheetReply } from '@stennet/core/contract/work';
import { sheetBrief } from '@stennet/core/find';
import { anglesOf } from '@stennet/core/procedure';
import type { AppError } from '@stennet/core/errors';
import { asAppError, useSignedIn } from '@/data';
import { newPractice } from '@/data/practice';
import { useBeginDraft } from '@/data/drafts';
import { discPath, useSheetsAtHand } from '@/data/sheets';
import { now } from '@/platform/clock';
import { openFile } from '@/platform/files';
import { BigButton, FieldRow, Line, Notice } from '@/ui';
import { text } from '../text';

/** Kept at hand, printed, given out, written on. */
export function Actions({ data }: { data: SheetReply }) {
  const { sheet } = data;
  const print = routes.printSheet.path
    .replace(':sheet', sheet.id)
    .replace(':revision', sheet.revision);
  return (
    <>
      <FieldRow>
        <PinButton data={data} />
        <BigButton
          text={text.print}
          look="quiet"
          size="desk"
          onPress={() => openFile(print, 'show')}
        />
        {anglesOf(sheet).length > 0 ? (
          <BigButton
            text={text.disc}
            look="quiet"
            size="desk"
            onPress={() => openFile(discPath(sheet), 'show')}
          />
        ) : null}
        <BigButton
          text={text.exportOne}
          look="quiet"
          size="desk"
          onPress={() =>
            openFile(
              `${routes.exportSheets.path}?form=json&pick=${sheet.id}:${sheet.revision}`,
              'keep',
            )
          }
        />
      </FieldRow>
      <PracticeButton data={data} />
      <Write data={data} />
    </>
  );
}

function PinButton({ data }: { data: SheetReply }) {
  const { atHand, noteSeen, pin } = useSheetsAtHand();
  const brief = sheetBrief(data.sheet);
  const key = `${brief.sheet} ${brief.revision}`;
  // Seen once per opening, whatever is drawn again in the meantime.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useEffect(() => noteSeen(brief), [key]);
  const isPinned = atHand.pinned.some(
    (b) => b.sheet === brief.sheet && b.revision === brief.revision,
  );
  return (
    <BigButton
      text={isPinned ? text.unpin : text.pin}
      look="quiet"
      size="desk"
      onPress={() => pin(brief, !isPinned)}
    />
  );
}

/** The same procedure on a simulated joint. */
function PracticeButton({ data }: { data: SheetReply }) {
  const { me } = useSignedIn();
  const router = useRouter();
  const [problem, setProblem] = useState<AppError | null>(null);
  const begin = (): void =>
    void newPractice(me, { sheet: data.sheet }).then(
      (id) => router.navigate(`/practice/${id}`),
      (e: unknown) => setProblem(asAppError(e)),
    );
  return (
    <>
      {problem ? <Notice title={problem.message} text={problem.fix} look="warn" alert /> : null}
      <BigButton text={text.practice} look="quiet" size="desk" onPress={begin} />
    </>
  );
}

/** The next revision, or a copy for something else. One draft of a sheet is written at a time. */
function Write({ data }: { data: SheetReply }) {
  const router = useRouter();
  const { me, format } = useSignedIn();
  const { revise, copy } = useBeginDraft();
  if (!isAllowed(me.role, 'sheet.write')) return null;
  const { sheet, related, draft } = data;
  const go = (id: Promise<string>): void => void id.then((d) => router.navigate(`/drafts/${d}`));
  return (
    <FieldRow>
      {draft ? (
        <>
          <Line>
            {text.draftBy({ who: draft.editor, ago: format.ago(new Date(draft.editedAt), now()) })}
          </Line>
          <BigButton
            text={text.goOnDraft}
            look="plain"
            size="desk"
            onPress={() => router.navigate(`/drafts/${sheet.id}`)}
          />
        </>
      ) : (
        <BigButton
          text={text.revise}
          look="quiet"
          size="desk"
          onPress={() => go(revise(sheet, related))}
        />
      )}
      <BigButton text={text.copy} look="quiet" size="desk" onPress={() => go(copy(sheet))} />
    </FieldRow>
  );
}
