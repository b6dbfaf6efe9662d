import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { judgeCheck, PULLS_BETWEEN, type WrenchCheck } from '@stennet/core/calibration';
import { isAllowed } from '@stennet/core/contract';
import { upperFirst } from '@stennet/core/language';
import { problemOf, useSignedIn, useTools, type KeptTool } from '@/data';
import { useWrenchChecks } from '@/data/shop';
import { BigButton, Line, Notice, ScreenFrame, Section, useInks, useIsWide, Waiting } from '@/ui';
import { CheckForm } from './calibration/CheckForm';
import type { WrenchTool } from './calibration/checkForm';
import { ChecksChart } from './calibration/ChecksChart';
import { JudgedPoints, verdictText } from './calibration/JudgedPoints';
import { calibrationOf, factsOf } from './parts/ToolRow';
import { text } from './text';

type Kept = KeptTool & { tool: WrenchTool };
const isWrench = (kept: KeptTool | undefined): kept is Kept =>
  kept !== undefined && 'graduation' in kept.tool;

/** Whether a torque wrench can be trusted: its checks, and what was tightened since the last. */
export function WrenchScreen() {
  const { tool = '' } = useLocalSearchParams<{ tool: string }>();
  const tools = useTools();
  const kept = tools.data?.find((t) => t.id === tool);
  const title = isWrench(kept) ? kept.tool.name : text.check.health;
  return (
    <ScreenFrame title={title} back="/tools" backLabel={text.check.back}>
      {isWrench(kept) ? (
        <Health kept={kept} />
      ) : tools.data ? (
        <Notice title={text.check.none} text={text.check.noneText} />
      ) : (
        <Waiting problem={problemOf(tools)} text={text} onRetry={() => void tools.refetch()} />
      )}
    </ScreenFrame>
  );
}

function Health({ kept }: { kept: Kept }) {
  const { me, format } = useSignedIn();
  const isWide = useIsWide();
  const found = useWrenchChecks(kept.id);
  const [isChecking, setChecking] = useState(false);
  if (!found.data)
    return (
      <Waiting problem={problemOf(found)} text={text.check} onRetry={() => void found.refetch()} />
    );
  const { checks, since } = found.data;
  const [last] = checks;
  const stand = (
    <Section title={text.check.health}>
      <Standing kept={kept} />
      <Line>{factsOf(kept.tool, format).filter(Boolean).join(' · ')}</Line>
      {last ? (
        <>
          <Line strong>{text.check.last({ day: format.day(last.day) })}</Line>
          <JudgedPoints check={last.check} judged={judgeCheck(last.check)} />
        </>
      ) : (
        <Line strong>{text.check.never}</Line>
      )}
      <Since kept={kept} since={since} isBad={last?.verdict === 'outside'} />
      {isAllowed(me.role, 'tool.write') && !isChecking ? (
        <BigButton
          text={text.check.start}
          look="plain"
          size="desk"
          onPress={() => setChecking(true)}
        />
      ) : null}
    </Section>
  );
  const rest = (
    <>
      {isChecking ? <CheckForm kept={kept} onClose={() => setChecking(false)} /> : null}
      <ChecksChart checks={checks.map((c) => c.check)} />
      {checks.length > 0 ? (
        <Section title={text.check.earlier}>
          {checks.map((c) => (
            <Earlier key={c.id} check={c.check} by={c.by} />
          ))}
          <Line>{text.check.idea}</Line>
        </Section>
      ) : null}
    </>
  );
  return isWide ? (
    <View style={styles.wide}>
      <View style={styles.side}>{stand}</View>
      <View style={styles.side}>{rest}</View>
    </View>
  ) : (
    <View style={styles.phone}>
      {stand}
      {rest}
    </View>
  );
}

function Standing({ kept: { tool, retired } }: { kept: Kept }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const standing = calibrationOf(tool, format);
  const isBad = retired || standing?.warn;
  return (
    <Text style={{ fontSize: 18, fontWeight: '700', color: isBad ? inks.warnText : inks.ink }}>
      {`${isBad ? '▲ ' : ''}${upperFirst(retired ? text.retired : (standing?.words ?? ''))}`}
    </Text>
  );
}

function Since({
  kept,
  since: { day, joints, pulls },
  isBad,
}: {
  kept: Kept;
  since: { day: string | null; joints: number; pulls: number };
  isBad: boolean;
}) {
  const router = useRouter();
  const { format } = useSignedIn();
  const of = { count: joints, pulls: format.number(pulls) };
  return (
    <>
      {isBad && joints > 0 ? <Line strong>{text.check.recallWarn}</Line> : null}
      <Line>{day ? text.check.since({ ...of, day: format.day(day) }) : text.check.ever(of)}</Line>
      {pulls > PULLS_BETWEEN ? (
        <Line strong>{text.check.many({ most: format.number(PULLS_BETWEEN) })}</Line>
      ) : null}
      {joints > 0 ? (
        <BigButton
          text={text.check.recall}
          look={isBad ? 'warn' : 'quiet'}
          size="desk"
          onPress={() =>
            router.navigate({
              pathname: '/history',
              params: { by: 'wrench', tool: kept.id, ...(day ? { from: day } : {}) },
            })
          }
        />
      ) : null}
    </>
  );
}

function Earlier({ check, by }: { check: WrenchCheck; by: string | null }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const judged = judgeCheck(check);
  return (
    <View style={[styles.check, { borderTopColor: inks.line }]}>
      <Text style={{ fontSize: 16, fontWeight: '700', color: inks.ink }}>
        {format.day(check.day)}
      </Text>
      <Line>
        {text.check.lastBy({
          verdict: verdictText(judged, check, (n) => format.number(n, 1)),
          by: by ?? '–',
          reference: check.reference.name,
        })}
      </Line>
    </View>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  side: { flex: 1, minWidth: 0, gap: 12 },
  check: { borderTopWidth: 1, paddingTop: 8 },
});
