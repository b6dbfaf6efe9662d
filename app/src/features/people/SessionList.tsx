import { View } from 'react-native';
import type { SessionLine } from '@stennet/core/contract';
import { asAppError, formatterOf, useSignedIn } from '@/data';
import { endSessionOf, useSessions } from '@/data/shop';
import { Said, useDoing } from '@/forms';
import { BigButton, Line, Loading, Notice } from '@/ui';
import { text } from './text';

/** Where someone is signed in, each with its way out. */
export function SessionList({ person }: { person: string }) {
  const { me } = useSignedIn();
  const { data, isError, error, refetch } = useSessions(person);
  const doing = useDoing();
  if (isError)
    return (
      <Notice
        title={text.failed}
        text={asAppError(error).fix}
        action={{ text: text.retry, onPress: () => void refetch() }}
        alert
      />
    );
  if (!data) return <Loading text={text.loading} />;
  const others = data.sessions.filter((s) => !s.isThis);
  const seen = (s: SessionLine): string => formatterOf(me).dateTime(new Date(s.seenAt));
  return (
    <View style={{ gap: 12 }}>
      <Said error={doing.error} done="" />
      {data.sessions.length === 0 ? <Line>{text.sessionsNone}</Line> : null}
      {data.sessions.map((s) => (
        <View key={s.id} style={{ gap: 4 }}>
          <Line strong={s.isThis}>
            {s.isThis
              ? `${text.session({ device: s.device, seen: seen(s) })} (${text.sessionThis})`
              : text.session({ device: s.device, seen: seen(s) })}
          </Line>
          {s.isThis ? null : (
            <BigButton
              text={text.sessionEnd({ device: s.device })}
              look="quiet"
              size="desk"
              disabled={doing.isBusy}
              onPress={() =>
                doing.doing(
                  () => endSessionOf(person, s.id),
                  '',
                  () => void refetch(),
                )
              }
            />
          )}
        </View>
      ))}
      {others.length > 1 ? (
        <BigButton
          text={text.sessionsEnd}
          look="plain"
          size="desk"
          disabled={doing.isBusy}
          onPress={() =>
            doing.doing(
              () => endSessionOf(person, null),
              '',
              () => void refetch(),
            )
          }
        />
      ) : null}
    </View>
  );
}
