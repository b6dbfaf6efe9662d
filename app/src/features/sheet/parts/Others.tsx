import { Link } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { SheetReply } from '@stennet/core/contract/work';
import { differences, lineOf, printLine, type Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { Line, Section, useInks } from '@/ui';
import { AnswerCard } from '@/ui/work';
import { text } from '../text';

/**
 * Questions that can be answered at the vehicle; nothing is preselected, each answer leads to its
 * sheet.
 */
export function TellApart({ data }: { data: SheetReply }) {
  const { sheet, related } = data;
  if (sheet.tellApart.length === 0) return null;
  return (
    <Section title={text.tellApart}>
      {sheet.tellApart.map((t) => (
        <View key={t.question} style={styles.question}>
          <Line strong>{t.question}</Line>
          <View style={styles.answers}>
            {t.answers.map((a) => (
              <AnswerLink
                key={a.text}
                answer={a}
                mine={sheet}
                to={a.sheet === sheet.id ? sheet : related.find((r) => r.id === a.sheet)}
              />
            ))}
          </View>
        </View>
      ))}
    </Section>
  );
}

/**
 * The sheet that an answer leads to; one that the shop does not have is named, and leads nowhere.
 */
function AnswerLink({
  answer,
  mine,
  to,
}: {
  answer: Sheet['tellApart'][number]['answers'][number];
  mine: Sheet;
  to: Sheet | undefined;
}) {
  const under =
    to === mine
      ? [text.this, printLine(lineOf(mine).line)]
      : to
        ? [to.title, printLine(lineOf(to).line)]
        : [text.notHere];
  const box = <AnswerCard text={answer.text} head={answer.head} under={under} />;
  if (!to) return <View style={styles.answerLink}>{box}</View>;
  return (
    <Link
      href={`/sheets/${to.id}/${to.revision}`}
      aria-label={answer.text}
      style={styles.answerLink}
    >
      {box}
    </Link>
  );
}

export function Conflicts({ data }: { data: SheetReply }) {
  const { format } = useSignedIn();
  const { sheet, related } = data;
  if (sheet.conflicts.length === 0) return null;
  return (
    <Section title={text.conflicts}>
      {sheet.conflicts.map((c) => {
        const other = related.find((r) => r.id === c.sheet);
        return (
          <View key={c.sheet ?? c.source} style={styles.question}>
            {c.sheet ? (
              <SheetLink
                sheet={other}
                id={c.sheet}
                after={text.says({ value: format.published(c.value) })}
              />
            ) : (
              <Line strong>
                {`${c.source ?? ''} ${text.says({ value: format.published(c.value) })}`}
              </Line>
            )}
            <Line>{c.why}</Line>
            {other ? <Differences mine={sheet} other={other} /> : null}
          </View>
        );
      })}
    </Section>
  );
}

export function Revisions({ data }: { data: SheetReply }) {
  const others = data.related.filter((r) => r.id === data.sheet.id);
  if (others.length === 0) return null;
  return (
    <Section title={text.revisions}>
      {others.map((other) => (
        <View key={other.revision} style={styles.question}>
          <SheetLink
            sheet={other}
            id={other.id}
            after={`${text.rev({ r: other.revision })}, ${text.status[other.status]}`}
          />
          <Differences mine={data.sheet} other={other} />
        </View>
      ))}
    </Section>
  );
}

function SheetLink({ sheet, id, after }: { sheet: Sheet | undefined; id: string; after: string }) {
  const inks = useInks();
  if (!sheet) return <Line strong>{`${id} ${after}; ${text.notHere}`}</Line>;
  const title = `${sheet.title} ${after}`;
  return (
    <Link href={`/sheets/${sheet.id}/${sheet.revision}`} style={styles.to}>
      <Text
        style={{
          fontSize: 16,
          fontWeight: '700',
          color: inks.brand,
          textDecorationLine: 'underline',
        }}
      >
        {title}
      </Text>
    </Link>
  );
}

/** In a technician's words, the grave ones first. */
function Differences({ mine, other }: { mine: Sheet; other: Sheet }) {
  const all = differences(mine, other).filter((d) => d.what !== 'step' && d.what !== 'part');
  if (all.length === 0) return <Line>{text.same}</Line>;
  return (
    <>
      {[...all.filter((d) => d.isGrave), ...all.filter((d) => !d.isGrave)].map((d) => (
        <Line key={d.text} strong={d.isGrave}>
          {d.text}
        </Line>
      ))}
    </>
  );
}

export function Uses({ data }: { data: SheetReply }) {
  const inks = useInks();
  if (data.uses.length === 0) return null;
  return (
    <Section title={text.uses}>
      {data.uses.map((u) => (
        <Link key={`${u.number} ${u.joint}`} href={`/orders/${u.order}`} style={styles.to}>
          <Text
            style={{ fontSize: 16, color: inks.brand, textDecorationLine: 'underline' }}
          >{`${text.use({ number: u.number, joint: u.joint, revision: u.revision })}${u.state ? `, ${text.keeps}` : ''}`}</Text>
        </Link>
      ))}
    </Section>
  );
}

const styles = StyleSheet.create({
  question: { gap: 8 },
  answers: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
  answerLink: { flexGrow: 1, flexBasis: 140, display: 'flex', flexDirection: 'column' },
  to: { minHeight: 48, display: 'flex', flexDirection: 'column', justifyContent: 'center' },
});
