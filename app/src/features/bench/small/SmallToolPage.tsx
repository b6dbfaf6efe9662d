import { useState } from 'react';
import { View } from 'react-native';
import { AppError } from '@stennet/core/errors';
import { useSignedIn } from '@/data';
import { benchDiscPath } from '@/data/sheets';
import { openFile } from '@/platform/files';
import { BigButton, ChoiceField, FieldRow, Line, Notice, Section, TextField } from '@/ui';
import { text } from '../text';
import type { Answer, SmallTool } from './tools';

/** The usual drive of a bar that is turned by an angle. */
const DRIVE = '1/2';

/** One small tool: what goes in, and the sentence that it answers. */
export function SmallToolPage({ tool }: { tool: SmallTool }) {
  const { me, format } = useSignedIn();
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(tool.fields.map((f) => [f.name, f.start])),
  );
  const answer = answerOf(tool, typed, { unit: me.shop.torqueUnit, format });
  const { title, asks } = text.small.tools[tool.name];
  return (
    <Section title={title}>
      <Line>{asks}</Line>
      <FieldRow>
        {tool.fields.map(({ name, options }) =>
          options ? (
            <ChoiceField
              key={name}
              label={text.small.fields[name]}
              value={typed[name]}
              options={options.map((o) => ({ value: o, text: name === 'teeth' ? `${o}°` : o }))}
              onChange={(value) => setTyped({ ...typed, [name]: value })}
            />
          ) : (
            <TextField
              key={name}
              label={text.small.fields[name]}
              value={typed[name] ?? ''}
              onChange={(value) => setTyped({ ...typed, [name]: value })}
              {...(name === 'marks' ? { lines: 3 } : {})}
            />
          ),
        )}
      </FieldRow>
      {answer ? (
        <View role="status" style={{ gap: 8 }}>
          {answer.isWarning ? (
            <Notice title={`▲ ${answer.says}`} look="warn" />
          ) : (
            <Line strong>{answer.says}</Line>
          )}
          {answer.lines?.map((line) => (
            <Line key={line}>{line}</Line>
          ))}
          {answer.disc ? (
            <BigButton
              text={text.small.swings.disc}
              hint={text.small.swings.discHint}
              look="quiet"
              size="desk"
              onPress={() => openFile(benchDiscPath(answer.disc ?? 90, DRIVE), 'show')}
            />
          ) : null}
        </View>
      ) : (
        <Line>{text.small.empty}</Line>
      )}
    </Section>
  );
}

/** A thread or class that does not exist is said, not thrown. */
function answerOf(
  tool: SmallTool,
  typed: Record<string, string>,
  shop: Parameters<SmallTool['answer']>[1],
): Answer | null {
  try {
    return tool.answer(typed, shop);
  } catch (error) {
    if (!(error instanceof AppError)) throw error;
    return { says: `${error.message} ${error.fix}`, isWarning: true };
  }
}
