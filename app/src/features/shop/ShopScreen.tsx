import { isAllowed } from '@stennet/core/contract';
import { View } from 'react-native';
import { useSignedIn, useToday } from '@/data';
import { Card, Columns, RowLink, ScreenFrame } from '@/ui';
import { text } from './text';

/** What the shop keeps: its sheets, tools, people, and what is due. */
export function ShopScreen() {
  const { me } = useSignedIn();
  const late = useToday().data?.overdue ?? 0;
  return (
    <ScreenFrame title={text.title} subtitle={me.shop.name}>
      <Columns
        left={
          <Card>
            <View>
              <RowLink
                href="/library"
                icon="file-document-outline"
                title={text.sheets}
                line={text.sheetsLine}
              />
              <RowLink
                href="/tools"
                icon="wrench-outline"
                title={text.tools}
                line={text.toolsLine}
              />
              <RowLink
                href="/follow-ups"
                icon="calendar-clock"
                title={text.followUps}
                line={late > 0 ? text.overdue({ count: late }) : text.followUpsLine}
                isWarn={late > 0}
                isLast
              />
            </View>
          </Card>
        }
        right={
          <Card>
            <View>
              <RowLink
                href="/history"
                icon="history"
                title={text.history}
                line={text.historyLine}
              />
              <RowLink
                href="/practice"
                icon="school-outline"
                title={text.practice}
                line={text.practiceLine}
              />
              <RowLink
                href="/people"
                icon="account-group-outline"
                title={text.people}
                line={text.peopleLine}
              />
              {isAllowed(me.role, 'shop.write') ? (
                <RowLink
                  href="/system"
                  icon="cloud-check-outline"
                  title={text.system}
                  line={text.systemLine}
                />
              ) : null}
              <RowLink
                href="/account"
                icon="account-circle-outline"
                title={text.account}
                line={text.accountLine({ name: me.person.name })}
                isLast
              />
            </View>
          </Card>
        }
      />
    </ScreenFrame>
  );
}
