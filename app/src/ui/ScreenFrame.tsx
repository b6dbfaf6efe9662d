import { commonText } from '@/language/common';
import { Link } from 'expo-router';
import { useEffect, type ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Text } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';
import PaperIcon from './PaperIcon';
import { useInks } from './theme';

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
  useEffect(() => {
    document.title = `${title} · Stennet`;
  }, [title]);
  return (
    <View style={[styles.screen, { backgroundColor: inks.bench }]}>
      <View role="banner" style={[styles.head, { borderBottomColor: inks.line }]}>
        {back ? (
          <Link href={back as never} aria-label={backLabel} style={styles.back}>
            <View style={styles.backInner}>
              <PaperIcon name="chevron-left" size={30} color={inks.ink} />
            </View>
          </Link>
        ) : null}
        {logo ? <Logo /> : null}
        <View style={styles.titles}>
          <Text
            role="heading"
            aria-level={1}
            numberOfLines={1}
            style={[styles.title, { color: inks.ink, fontSize: logo ? 24 : 19 }]}
          >
            {title}
          </Text>
          {subtitle ? (
            <Text numberOfLines={1} style={{ color: inks.inkSoft, fontSize: 14 }}>
              {subtitle}
            </Text>
          ) : null}
        </View>
        {right}
      </View>
      {fixed ? (
        <View role="main" style={styles.fixed}>
          {children}
        </View>
      ) : (
        <ScrollView role="main" contentContainerStyle={styles.body} tabIndex={0}>
          {children}
        </ScrollView>
      )}
    </View>
  );
}

/** The witness mark: a fastener with its stripe of paint. */
function Logo() {
  const inks = useInks();
  return (
    <View aria-hidden style={styles.logo}>
      <LogoMark head={inks.head} edge={inks.headEdge} paint={inks.paint} />
    </View>
  );
}

function LogoMark({ head, edge, paint }: { head: string; edge: string; paint: string }) {
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
    paddingHorizontal: 12,
    borderBottomWidth: 1,
  },
  back: { width: 48, height: 48, borderRadius: 24 },
  backInner: { width: 48, height: 48, alignItems: 'center', justifyContent: 'center' },
  titles: { flex: 1, minWidth: 0 },
  title: { fontWeight: '700' },
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
