import { StyleSheet, View } from 'react-native';
import { ScreenFrame, useIsWide } from '@/ui';
import { ConvertTorque } from './ConvertTorque';
import { CrowfootSetting } from './CrowfootSetting';
import { text } from './text';

/** Arithmetic at the bench, away from any repair order: nothing here is recorded. */
export function BenchScreen() {
  const isWide = useIsWide();
  return (
    <ScreenFrame title={text.title} subtitle={text.subtitle}>
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={isWide ? styles.half : null}>
          <ConvertTorque />
        </View>
        <View style={isWide ? styles.half : null}>
          <CrowfootSetting />
        </View>
      </View>
    </ScreenFrame>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  half: { flex: 1, minWidth: 0 },
});
