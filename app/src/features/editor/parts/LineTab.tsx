import { useMemo, useState } from 'react';
import { pasteLine } from '@stennet/core/draft';
import { lineOf, parseLine, printLine } from '@stennet/core/procedure';
import { BigButton, Line, Problem, Section, TextField } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { placeWords } from '../placeWords';
import { text } from '../text';

/**
 * The quickest beginning: a line as a manual has it. What is not understood is named with its
 * place.
 */
export function LineTab() {
  const { draft, change } = useEditor();
  const [typed, setTyped] = useState('');
  const parsed = useMemo(() => (typed.trim() ? parseLine(typed) : null), [typed]);
  const now = useMemo(() => lineOf(draft), [draft]);
  const take = (): void => {
    if (!parsed) return;
    change((d) => pasteLine(d, parsed.line));
    setTyped('');
  };
  return (
    <>
      <Section title={text.lineTitle}>
        <Line>{text.lineHelp}</Line>
        <TextField
          label={text.lineField}
          value={typed}
          onChange={setTyped}
          lines={4}
          hint={text.lineHint}
        />
        {parsed?.problems.map((p) => (
          <Problem
            key={`${p.at} ${p.message}`}
            text={text.lineUnread({ what: p.message, at: p.at + 1 })}
          />
        ))}
        {parsed && parsed.line.stages.length > 0 ? (
          <Line strong>{printLine(parsed.line)}</Line>
        ) : null}
        {parsed && parsed.problems.length > 0 ? <Line>{text.lineNotWhole}</Line> : null}
        <BigButton
          text={text.lineTake}
          size="desk"
          onPress={take}
          disabled={!parsed || parsed.line.stages.length === 0 || parsed.problems.length > 0}
        />
      </Section>
      {draft.stages.length > 0 ? (
        <Section title={text.lineSays}>
          <Line strong>{printLine(now.line)}</Line>
          {now.unsaid.length > 0 ? (
            <Line>{text.lineUnsaid({ what: now.unsaid.map(placeWords).join('; ') })}</Line>
          ) : (
            <Line>{text.lineWhole}</Line>
          )}
          <BigButton
            text={text.lineEdit}
            look="quiet"
            size="desk"
            onPress={() => setTyped(printLine(now.line))}
          />
        </Section>
      ) : null}
    </>
  );
}
