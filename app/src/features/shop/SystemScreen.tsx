import { commonText } from '@/language/common';
import { View } from 'react-native';
import { problemOf, useSending, useSignedIn, useSystem } from '@/data';
import { now } from '@/platform/clock';
import { Line, Notice, ScreenFrame, Section, ValueRow, Waiting } from '@/ui';
import { text } from './text';

const GB = 1e9;
const MB = 1e6;
const WEEK_MS = 7 * 86_400_000;
const LOW_BYTES = 2 * GB;

/** How the shop's own house stands, with what needs someone first. */
export function SystemScreen() {
  const system = useSystem();
  return (
    <ScreenFrame title={text.system} back="/shop" backLabel={commonText.backToShop}>
      {system.data ? (
        <Stands of={system.data} />
      ) : (
        <Waiting problem={problemOf(system)} text={text} onRetry={() => void system.refetch()} />
      )}
    </ScreenFrame>
  );
}

type System = NonNullable<ReturnType<typeof useSystem>['data']>;

function Stands({ of }: { of: System }) {
  const { format } = useSignedIn();
  const { unsent } = useSending();
  const count = (n: number): string => format.number(n, 0);
  const seconds = (s: number): string => text.seconds({ n: count(s) });
  const { archive, backups, freeBytes, replicaLagS } = of;
  const [last] = backups;
  const isOld = last !== undefined && now().getTime() - Date.parse(last.at) > WEEK_MS;
  return (
    <View style={{ width: '100%', maxWidth: 720, alignSelf: 'center', gap: 12 }}>
      {archive === null ? <Notice title={text.noArchive} text={text.noArchiveText} /> : null}
      {archive?.fails ? (
        <Notice title={text.archiveFails} text={text.archiveFailsText} look="warn" alert />
      ) : null}
      {isOld && archive === null ? (
        <Notice title={text.backupOld} text={text.backupOldText} look="warn" />
      ) : null}
      {freeBytes !== null && freeBytes < LOW_BYTES ? (
        <Notice title={text.diskLow} text={text.diskLowText} look="warn" alert />
      ) : null}
      {of.unsent.length > 0 ? (
        <Section title={text.notSent}>
          <View>
            {of.unsent.map((one) => (
              <ValueRow
                key={`${one.person} ${one.device} ${one.seenAt}`}
                name={text.phoneOf({
                  person: one.person,
                  device: one.device,
                  ago: format.ago(new Date(one.seenAt), now()),
                })}
                value={count(one.unsent)}
              />
            ))}
          </View>
        </Section>
      ) : null}
      <Section title={text.backups}>
        {last ? null : <Line>{text.noBackup}</Line>}
        <View>
          {backups.map((one) => (
            <ValueRow
              key={one.at}
              name={(one.encrypted ? text.backupLocked : text.backupOpen)({
                name: one.name,
                n: format.number(one.bytes / MB, 1),
              })}
              value={format.ago(new Date(one.at), now())}
            />
          ))}
        </View>
      </Section>
      <Section title={text.system}>
        <View>
          {of.servers.map(({ name, startedAt }) => (
            <ValueRow
              key={name}
              name={text.serverStarted({ name })}
              value={format.ago(new Date(startedAt), now())}
            />
          ))}
          <ValueRow name={text.devices} value={count(of.devices)} />
          <ValueRow name={text.streams} value={count(of.streams)} />
          <ValueRow name={text.unsent} value={count(unsent)} />
          <ValueRow name={text.connections} value={count(of.connections)} />
          <ValueRow name={text.waiting} value={count(of.waiting)} />
          <ValueRow
            name={text.replica}
            value={replicaLagS === null ? text.noReplica : seconds(replicaLagS)}
          />
          {archive?.ageS == null ? null : (
            <ValueRow
              name={text.archive}
              value={format.ago(new Date(now().getTime() - archive.ageS * 1000), now())}
            />
          )}
          {freeBytes === null ? null : (
            <ValueRow
              name={text.disk}
              value={text.gigabytes({ n: format.number(freeBytes / GB, 0) })}
            />
          )}
        </View>
      </Section>
    </View>
  );
}
