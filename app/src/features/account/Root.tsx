import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { Slot, usePathname } from 'expo-router';
import { StatusBar } from 'expo-status-bar';
import { useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { StyleSheet, useColorScheme, View } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import type { Me } from '@stennet/core/contract';
import {
  formatterOf,
  forgetUnshown,
  persistOptions,
  queryClient,
  SignedIn,
  startEntries,
  startLive,
  startSending,
  startTouching,
  useMe,
  useSetup,
} from '@/data';
import { setClock } from '@/platform/clock';
import { languageIsHere, loadLanguage, startLanguage } from '@/platform/language';
import { useThemeChoice } from '@/platform/preferences';
import { registerServiceWorker } from '@/platform/serviceWorker';
import { darkTheme, lightTheme, Loading, Notice, ScreenFrame, useIsWide } from '@/ui';
import { ClockBar } from './ClockBar';
import { MainNav, useHasNav } from './MainNav';
import { SignInScreen } from './SignInScreen';
import { Warnings } from './Warnings';
import { NEW_SHOP } from './newShop';
import { text } from './text';

registerServiceWorker();
startLanguage();

/** Nothing is said before its words are here. */
function useSpoken(): boolean {
  const [isHere, setHere] = useState(languageIsHere);
  useEffect(() => {
    if (!isHere) void loadLanguage().finally(() => setHere(true));
  }, [isHere]);
  return isHere;
}

/** Theme, kept answers, and the door: everything behind it belongs to someone who is signed in. */
export function Root({ Setup }: { Setup: ComponentType }) {
  const isSpoken = useSpoken();
  const scheme = useColorScheme();
  const choice = useThemeChoice();
  const isDark = choice === 'device' ? scheme === 'dark' : choice === 'dark';
  const theme = isDark ? darkTheme : lightTheme;
  useEffect(() => {
    document.body.style.background = theme.inks.bench;
    document.documentElement.style.colorScheme = isDark ? 'dark' : 'light';
  }, [theme, isDark]);
  return (
    <PersistQueryClientProvider client={queryClient} persistOptions={persistOptions}>
      <PaperProvider theme={theme}>
        <StatusBar style={isDark ? 'light' : 'dark'} />
        {isSpoken ? (
          <Door Setup={Setup}>
            <Slot />
          </Door>
        ) : null}
      </PaperProvider>
    </PersistQueryClientProvider>
  );
}

/** Before anybody is signed in: the first visit makes the shop, and so does a code for one more. */
function AtDoor({ Setup }: { Setup: ComponentType }) {
  const setup = useSetup();
  // Signed out in another tab: what this one still knows must not be kept for the next start.
  useEffect(forgetUnshown, []);
  const isMore = usePathname() === NEW_SHOP;
  return isMore || setup.data?.needed ? <Setup /> : <SignInScreen />;
}

function Door({ children, Setup }: { children: ReactNode; Setup: ComponentType }) {
  const me = useMe();
  const isWide = useIsWide();
  const hasNav = useHasNav();
  const isInRun = /^\/(runs|practice)\//.test(usePathname());
  const [last, setLast] = useState<Me | null>(null);
  if (me.data && me.data !== last) setLast(me.data);
  useEffect(startSending, []);
  const isIn = me.data !== null && me.data !== undefined;
  useEffect(() => (isIn ? startLive() : undefined), [isIn]);
  useEffect(() => (isIn ? startTouching() : undefined), [isIn]);
  // A sign-in that runs out does not take the run from under someone's hands: it goes on, and says
  // that it must be sent.
  const known = me.data ?? (isInRun && me.data === null ? last : null);
  useEffect(() => {
    if (!known) return;
    setClock(known.clockSetTo);
    void startEntries(known);
  }, [known]);
  if (known) {
    return (
      <SignedIn.Provider value={{ me: known, format: formatterOf(known) }}>
        <View style={isWide ? styles.wide : styles.phone}>
          {isWide && hasNav ? <MainNav isRail /> : null}
          <View style={styles.screen}>
            <ClockBar />
            <Warnings me={known} />
            {children}
          </View>
          {!isWide && hasNav ? <MainNav isRail={false} /> : null}
        </View>
      </SignedIn.Provider>
    );
  }
  if (me.data === null) return <AtDoor Setup={Setup} />;
  if (me.isError) {
    return (
      <ScreenFrame title={text.product} logo>
        <Notice
          title={text.offlineTitle}
          text={text.offlineFirst}
          action={{ text: text.retry, onPress: () => void me.refetch() }}
          alert
        />
      </ScreenFrame>
    );
  }
  return (
    <ScreenFrame title={text.product} logo>
      <Loading text={text.loading} />
    </ScreenFrame>
  );
}

const styles = StyleSheet.create({
  phone: { flex: 1, flexDirection: 'column' },
  wide: { flex: 1, flexDirection: 'row' },
  screen: { flex: 1, minWidth: 0, minHeight: 0 },
});
