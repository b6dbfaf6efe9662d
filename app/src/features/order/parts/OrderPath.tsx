import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import Svg from 'react-native-svg';
import { onItsWay, type Order } from '@stennet/core/contract';
import { stationNow, stations, STATION_TEXT, type Station } from '@stennet/core/order';
import { useSignedIn, type ShownEntry } from '@/data';
import { Card, FlatSections, Icon, StationMark, useInks } from '@/ui';
import { useOpenStations } from '../hooks/useOpenStations';
import { text } from '../text';
import { measuredFact } from '../measuredFact';
import { Inside } from './Stations';

/**
 * The way of an order: each station says its state by its sign, and one fact. The one that is next
 * stands open with the thing to do.
 */
export function OrderPath({
  order,
  entries,
  mayWrite,
}: {
  order: Order;
  entries: readonly ShownEntry[];
  mayWrite: boolean;
}) {
  const { format } = useSignedIn();
  const way = stations(onItsWay(order, entries));
  const next = (way.find((s) => s.state === 'next') ?? stationNow(way))?.name;
  const { open, toggle } = useOpenStations(next);
  return (
    <Card>
      <View>
        {way.map((station, i) => (
          <Row
            key={station.name}
            station={
              station.name === 'measured' && station.state === 'done'
                ? { ...station, fact: measuredFact(entries, format) }
                : station
            }
            isFirst={i === 0}
            isLast={i === way.length - 1}
            isDoneBefore={way[i - 1]?.state === 'done' && station.state === 'done'}
            isOpen={open.has(station.name)}
            onToggle={() => toggle(station.name)}
          >
            <FlatSections>
              <Inside name={station.name} order={order} entries={entries} mayWrite={mayWrite} />
            </FlatSections>
          </Row>
        ))}
      </View>
    </Card>
  );
}

const MARK_Y = 24;

function Row({
  station,
  isFirst,
  isLast,
  isDoneBefore,
  isOpen,
  onToggle,
  children,
}: {
  station: Station;
  isFirst: boolean;
  isLast: boolean;
  isDoneBefore: boolean;
  isOpen: boolean;
  onToggle: () => void;
  children: React.ReactNode;
}) {
  const inks = useInks();
  const isBlocked = station.state === 'blocked';
  return (
    <View style={styles.row}>
      <View style={styles.rail}>
        {isFirst ? null : (
          <View style={[styles.above, { backgroundColor: isDoneBefore ? inks.ink : inks.line }]} />
        )}
        {isLast ? null : <View style={[styles.below, { backgroundColor: inks.line }]} />}
        <Svg width={24} height={MARK_Y * 2} style={styles.mark} aria-hidden>
          <StationMark state={station.state} x={12} y={MARK_Y} />
        </Svg>
      </View>
      <View style={styles.content}>
        <TouchableRipple
          role="button"
          aria-expanded={isOpen}
          aria-label={[
            `${STATION_TEXT[station.name]}, ${text.stationStates[station.state]}`,
            station.fact,
          ]
            .filter(Boolean)
            .join(': ')}
          onPress={onToggle}
          style={styles.press}
        >
          <View style={styles.head}>
            <View style={styles.words}>
              <Text
                style={{
                  fontSize: 18,
                  fontWeight: '700',
                  color: station.state === 'later' ? inks.inkSoft : inks.ink,
                }}
              >
                {STATION_TEXT[station.name]}
              </Text>
              {station.fact ? (
                <Text
                  style={{
                    fontSize: 15,
                    color: isBlocked ? inks.warnText : inks.inkSoft,
                    fontWeight: isBlocked ? '700' : '400',
                  }}
                >
                  {station.fact}
                </Text>
              ) : null}
            </View>
            <Icon name={isOpen ? 'chevron-up' : 'chevron-down'} size={24} color={inks.inkSoft} />
          </View>
        </TouchableRipple>
        {isOpen ? <View style={styles.inside}>{children}</View> : null}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 10 },
  rail: { width: 24 },
  above: { position: 'absolute', left: 11, top: 0, height: MARK_Y, width: 2 },
  below: { position: 'absolute', left: 11, top: MARK_Y, bottom: 0, width: 2 },
  mark: { position: 'absolute', left: 0, top: 0 },
  content: { flex: 1, minWidth: 0 },
  press: { minHeight: MARK_Y * 2, borderRadius: 8, justifyContent: 'center' },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  words: { flex: 1, minWidth: 0, gap: 2, paddingVertical: 4 },
  inside: { gap: 10, paddingTop: 4, paddingBottom: 14 },
});
