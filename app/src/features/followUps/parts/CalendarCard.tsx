import { useState } from 'react';
import { View } from 'react-native';
import { Text } from 'react-native-paper';
import type { AppError } from '@stennet/core/errors';
import { asAppError, calendarPath, dropFeed, makeFeed } from '@/data';
import { openFile } from '@/platform/files';
import { BigButton, Line, MONO, Notice, Section, useInks } from '@/ui';
import { text } from '../text';

/** The same in a calendar program. */
export function CalendarCard({ hasFeed }: { hasFeed: boolean }) {
  const inks = useInks();
  const [address, setAddress] = useState<string | null>(null);
  const [error, setError] = useState<AppError | null>(null);
  const failed = (e: unknown): void => setError(asAppError(e));
  return (
    <Section title={text.calendar}>
      <Line>{text.calendarText}</Line>
      {error ? <Notice title={error.message} text={error.fix} look="warn" alert /> : null}
      <BigButton
        text={text.file}
        look="plain"
        size="desk"
        onPress={() => openFile(calendarPath, 'keep')}
      />
      {address ? (
        <View role="status">
          <Line>{text.address}</Line>
          <Text
            selectable
            style={
              { fontFamily: MONO, fontSize: 14, color: inks.ink, overflowWrap: 'anywhere' } as never
            }
          >
            {address}
          </Text>
        </View>
      ) : hasFeed ? (
        <Line>{text.has}</Line>
      ) : null}
      <BigButton
        text={hasFeed ? text.makeAnew : text.make}
        look="quiet"
        size="desk"
        onPress={() => void makeFeed().then(setAddress, failed)}
      />
      {hasFeed ? (
        <BigButton
          text={text.drop}
          look="quiet"
          size="desk"
          onPress={() => void dropFeed().then(() => setAddress(null), failed)}
        />
      ) : null}
    </Section>
  );
}
