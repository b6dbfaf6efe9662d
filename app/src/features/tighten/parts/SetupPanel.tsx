import { StyleSheet, View } from 'react-native';
import { useSignedIn } from '@/data';
import { putHands, useHands, type Hands } from '@/platform/hands';
import { putMapView, useMapView, type KeptView } from '@/platform/mapView';
import { hasVoice } from '@/platform/speech';
import { BigButton } from '@/ui';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

const SWITCHES: readonly (keyof Hands)[] = ['sound', 'speech', 'vibration', 'huge'];

/** How the map lies, and what helps with both hands on the bar; each by itself, kept per person. */
export function SetupPanel({
  sheet,
  onLock,
  onClose,
}: {
  sheet: string;
  onLock: () => void;
  onClose: () => void;
}) {
  const { me } = useSignedIn();
  const { id } = me.person;
  const view = useMapView(`${id}.${sheet}`);
  const hands = useHands(id);
  const put = (change: Partial<KeptView>): void => putMapView(`${id}.${sheet}`, change);
  const isThere = (one: keyof Hands): boolean => one !== 'speech' || hasVoice();
  return (
    <View style={styles.panel}>
      <PanelTitle>{text.mapTitle}</PanelTitle>
      <View style={styles.row}>
        <BigButton
          text={text.turnMap}
          look="quiet"
          grow
          onPress={() => put({ quarters: ((view.quarters + 1) % 4) as KeptView['quarters'] })}
        />
        <BigButton
          text={view.mirrored ? text.mirrorOff : text.mirror}
          look="quiet"
          grow
          onPress={() => put({ mirrored: !view.mirrored })}
        />
      </View>
      <View style={styles.row}>
        <BigButton
          text={text.larger}
          look="quiet"
          grow
          disabled={view.zoom === 3}
          onPress={() => put({ zoom: Math.min(3, view.zoom + 1) as KeptView['zoom'] })}
        />
        <BigButton
          text={text.smaller}
          look="quiet"
          grow
          disabled={view.zoom === 1}
          onPress={() => put({ zoom: Math.max(1, view.zoom - 1) as KeptView['zoom'] })}
        />
      </View>
      <PanelTitle>{text.handsTitle}</PanelTitle>
      {hasVoice() ? null : <PanelBody>{text.noVoice}</PanelBody>}
      {SWITCHES.filter(isThere).map((one) => (
        <BigButton
          key={one}
          text={hands[one] ? text.isOn({ what: text[one] }) : text.isOff({ what: text[one] })}
          look={hands[one] ? 'plain' : 'quiet'}
          onPress={() => putHands(id, { [one]: !hands[one] })}
        />
      ))}
      <BigButton text={text.lock} hint={text.lockText} look="quiet" onPress={onLock} />
      <BigButton text={text.close} look="plain" onPress={onClose} />
    </View>
  );
}

const styles = StyleSheet.create({ panel: { gap: 12 }, row: { flexDirection: 'row', gap: 12 } });
