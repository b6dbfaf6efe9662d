import { useColorScheme } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { reload } from '@/platform/reload';
import { darkTheme, lightTheme, Notice, ScreenFrame } from '@/ui';
import { text } from './text';

/**
 * Where a screen could not be loaded, or broke: said in words, with what to do. What was confirmed
 * is on the device all the same.
 */
export function FailedScreen({ error }: { error: Error }) {
  const isDark = useColorScheme() === 'dark';
  return (
    <PaperProvider theme={isDark ? darkTheme : lightTheme}>
      <ScreenFrame title={text.product}>
        <FailedNotice error={error} />
      </ScreenFrame>
    </PaperProvider>
  );
}

/** The same in its place: the rest of the app stays, and a reload comes back to this address. */
export function FailedNotice({ error }: { error: Error }) {
  const isMissing = /loading module|dynamically imported|failed to fetch/i.test(error.message);
  return (
    <Notice
      title={isMissing ? text.partMissing : text.broke}
      text={isMissing ? text.partMissingText : text.brokeText}
      action={{ text: text.loadAgain, onPress: reload }}
      alert
    />
  );
}
