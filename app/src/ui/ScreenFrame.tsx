import { commonText } from '@/language/common';
import { Link } from 'expo-router';
import { memo, useEffect, useRef, type ReactNode } from 'react';
import { Text as PlainText, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';
import PaperIcon from './PaperIcon';
import { useKeptScroll } from './keptScroll';
import { FONT, useInks } from './theme';

interface Props {
  title: string;
  subtitle?: string;
  /** Where the arrow leads; without it there is none. */
  back?: string;
  backLabel?: string;
  right?: ReactNode;
  logo?: boolean;
  /** The screen lays itself out to the height there is. */
  fixed?: boolean;
  children: ReactNode;
}

export const WIDE_FROM = 900;
export const useIsWide = (): boolean => useWindowDimensions().width >= WIDE_FROM;

export function ScreenFrame({
  title,
  subtitle,
  back,
  backLabel = commonText.back,
  right,
  logo,
  fixed,
  children,
}: Props) {
  const inks = useInks();
  const kept = useKeptScroll();
  useEffect(() => {
    document.title = `${title} · Stennet`;
  }, [title]);
  return (
    <View style={[styles.screen, { backgroundColor: inks.bench }]}>
      <View role="banner" style={[styles.head, { borderBottomColor: inks.line }]}>
        <Titles title={title} subtitle={subtitle} back={back} backLabel={backLabel} logo={logo} />
        {right}
      </View>
      {fixed ? (
        <View role="main" style={styles.fixed}>
          {children}
        </View>
      ) : (
        <ScrollView
          role="main"
          contentContainerStyle={styles.body}
          tabIndex={0}
          scrollEventThrottle={100}
          {...kept}
        >
          {children}
        </ScrollView>
      )}
    </View>
  );
}

/** The same on a screen whose work goes on below: it is not drawn again for it. */
const Titles = memo(function Titles({
  title,
  subtitle,
  back,
  backLabel,
  logo,
}: Pick<{ [K in keyof Props]: Props[K] | undefined }, 'subtitle' | 'back' | 'backLabel' | 'logo'> &
  Pick<Props, 'title'>) {
  const inks = useInks();
  const heading = useFocusedHeading();
  return (
    <>
      {back ? (
        <Link href={back as never} aria-label={backLabel} style={styles.back}>
          <View style={styles.backInner}>
            <PaperIcon name="chevron-left" size={30} color={inks.ink} />
          </View>
        </Link>
      ) : null}
      {logo ? (
        <View aria-hidden style={styles.logo}>
          <LogoMark />
        </View>
      ) : null}
      <View style={styles.titles}>
        <PlainText
          role="heading"
          aria-level={1}
          ref={heading as never}
          tabIndex={-1}
          numberOfLines={1}
          style={[styles.title, { color: inks.ink, fontSize: back ? 19 : 24 }, NO_OUTLINE]}
        >
          {title}
        </PlainText>
        {subtitle ? (
          <Text numberOfLines={2} style={{ color: inks.inkSoft, fontSize: 14 }}>
            {subtitle}
          </Text>
        ) : null}
      </View>
    </>
  );
});

/** It takes the focus by script only, so it needs no ring. */
const NO_OUTLINE = { outlineStyle: 'none' } as never;
let isFirstScreen = true;

/** After a navigation the focus is at the new screen's heading, unless a field there has it. */
function useFocusedHeading() {
  const heading = useRef<HTMLElement>(null);
  useEffect(() => {
    if (isFirstScreen) {
      isFirstScreen = false;
      return;
    }
    const at = document.activeElement;
    if (!at || at === document.body || at.closest('nav, [role="navigation"]'))
      heading.current?.focus({ preventScroll: true });
  }, []);
  return heading;
}

/** The witness mark: a fastener with its stripe of paint. */
export function LogoMark() {
  const { head, headEdge: edge, paint } = useInks();
  return (
    <Svg width={36} height={36} viewBox="0 0 64 64">
      <Path
        d="M32 14 50 24.5v21L32 56 14 45.5v-21Z"
        fill={head}
        stroke={edge}
        strokeWidth={3}
        strokeLinejoin="round"
      />
      <Path d="M32 4v9M32 35 48 31" stroke={paint} strokeWidth={6.5} strokeLinecap="round" />
    </Svg>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1 },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    minHeight: 64,
    paddingHorizontal: 16,
    borderBottomWidth: 1,
  },
  // As large as a thumb in a glove, with its arrow where the margin is.
  back: { width: 64, height: 64, borderRadius: 32, marginLeft: -12, marginRight: -8 },
  backInner: { width: 64, height: 64, alignItems: 'center', justifyContent: 'center' },
  titles: { flex: 1, minWidth: 0, paddingVertical: 4 },
  title: { fontWeight: '700', fontFamily: FONT },
  fixed: { flex: 1, minHeight: 0 },
  body: {
    padding: 12,
    gap: 12,
    paddingBottom: 32,
    width: '100%',
    maxWidth: 1180,
    alignSelf: 'center',
  },
  logo: { width: 40, height: 40, alignItems: 'center', justifyContent: 'center' },
});
