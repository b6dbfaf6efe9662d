import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useRef } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Sheet } from '@stennet/core/procedure';
import { FRICTION_CONDITIONS, type FrictionCondition } from '@stennet/core/thread';
import { problemOf, useJointSheet } from '@/data';
import { Chip, Line, ScreenFrame, useIsWide, Waiting } from '@/ui';
import { ClampLoad } from './clamp/ClampLoad';
import { columns } from './columns';
import { JointClamp } from './joint/JointClamp';
import { EachPull } from './pulls/EachPull';
import { ConvertTorque } from './small/ConvertTorque';
import { CrowfootSetting } from './small/CrowfootSetting';
import { SmallToolPage } from './small/SmallToolPage';
import { SMALL_TOOLS } from './small/tools';
import { text } from './text';

const PAGES = ['clamp', 'pulls', 'convert', 'sane', 'crowfoot', 'push', 'swings'] as const;
const MORE = ['range', 'flatness', 'strip', 'runout'] as const;
type Page = 'joint' | (typeof PAGES)[number] | (typeof MORE)[number];
const ALL: readonly Page[] = [...PAGES, ...MORE];

/**
 * Why the angle, why the order, why the oil, why new bolts, and arithmetic: away from any repair
 * order or about one of its joints. Nothing here is recorded.
 */
export function BenchScreen() {
  const router = useRouter();
  const isWide = useIsWide();
  const { page, joint, beside, run } = useLocalSearchParams<{
    page?: string;
    joint?: string;
    beside?: string;
    run?: string;
  }>();
  const pages: readonly Page[] = run ? ['joint', ...ALL] : ALL;
  const shown = pages.find((p) => p === page) ?? 'clamp';
  const strip = useRef<View>(null);
  // On the phone the strip is longer than the screen: what is chosen is in sight.
  useEffect(() => {
    const tabs = strip.current as unknown as HTMLElement | null;
    tabs
      ?.querySelector('[aria-selected="true"]')
      ?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [shown]);
  const chips = pages.map((p) => (
    <Chip
      key={p}
      role="tab"
      text={text.pages[p]}
      on={p === shown}
      onPress={() => router.setParams({ page: p })}
    />
  ));
  return (
    <ScreenFrame
      title={text.title}
      subtitle={text.subtitle}
      {...(run
        ? { back: `/runs/${run}/record`, backLabel: text.backToRecord }
        : joint
          ? { back: `/joints/${joint}`, backLabel: text.backToJoint }
          : {})}
    >
      {isWide ? (
        <View role="tablist" aria-label={text.tools} style={styles.chips}>
          {chips}
        </View>
      ) : (
        <ScrollView horizontal showsHorizontalScrollIndicator={false}>
          <View ref={strip} role="tablist" aria-label={text.tools} style={styles.row}>
            {chips}
          </View>
        </ScrollView>
      )}
      {shown === 'joint' ? (
        <JointClamp run={run ?? ''} />
      ) : joint ? (
        <OfJoint key={joint} joint={joint} page={shown} beside={beside} />
      ) : (
        <PageOf page={shown} sheet={null} beside={beside} />
      )}
    </ScreenFrame>
  );
}

/** With the sheet of the joint that the question is about. */
function OfJoint({
  joint,
  page,
  beside,
}: {
  joint: string;
  page: Page;
  beside: string | undefined;
}) {
  const sheet = useJointSheet(joint);
  if (!sheet.data)
    return <Waiting problem={problemOf(sheet)} text={text} onRetry={() => void sheet.refetch()} />;
  const { title, revision } = sheet.data.sheet;
  return (
    <>
      <Line>{text.ofJoint({ title, revision })}</Line>
      <PageOf page={page} sheet={sheet.data.sheet} beside={beside} />
    </>
  );
}

function PageOf({
  page,
  sheet,
  beside,
}: {
  page: Page;
  sheet: Sheet | null;
  beside: string | undefined;
}) {
  const isWide = useIsWide();
  const other = FRICTION_CONDITIONS.find((c): c is FrictionCondition => c === beside);
  switch (page) {
    case 'clamp':
      return <ClampLoad sheet={sheet} beside={other} />;
    case 'pulls':
      return <EachPull sheet={sheet} />;
    case 'convert':
    case 'crowfoot':
      return (
        <View style={isWide ? columns.wide : columns.phone}>
          <View style={isWide ? columns.half : null}>
            {page === 'convert' ? <ConvertTorque /> : <CrowfootSetting />}
          </View>
        </View>
      );
    default: {
      const tool = SMALL_TOOLS.find((t) => t.name === page);
      return tool ? (
        <View style={isWide ? columns.wide : columns.phone}>
          <View style={isWide ? columns.half : null}>
            <SmallToolPage key={tool.name} tool={tool} />
          </View>
        </View>
      ) : null;
    }
  }
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 8, paddingBottom: 4 },
  chips: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
