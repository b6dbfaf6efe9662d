import { useRouter } from 'expo-router';
import type { Sheet } from '@stennet/core/procedure';
import { archivePath, recordPath } from '@/data';
import { openFile } from '@/platform/files';
import { BigButton, Line, Section } from '@/ui';
import { text } from '../text';

/**
 * The record as it leaves: on paper, as a document that can be checked, as a table; and what else
 * was tightened like it.
 */
export function OutCard({
  run,
  order,
  sheet,
}: {
  run: string;
  order: string;
  sheet: Pick<Sheet, 'id' | 'revision'>;
}) {
  const router = useRouter();
  return (
    <Section title={text.out}>
      <BigButton
        text={text.paper}
        look="plain"
        size="desk"
        onPress={() => openFile(recordPath(run, 'pdf'), 'show')}
      />
      <BigButton
        text={text.document}
        hint={text.documentHint}
        look="quiet"
        size="desk"
        onPress={() => openFile(recordPath(run, 'json'), 'keep')}
      />
      <BigButton
        text={text.table}
        look="quiet"
        size="desk"
        onPress={() => openFile(recordPath(run, 'csv'), 'keep')}
      />
      <BigButton
        text={text.archive}
        hint={text.archiveHint}
        look="quiet"
        size="desk"
        onPress={() => openFile(archivePath(order), 'keep')}
      />
      <Line>{text.outText}</Line>
      <BigButton
        text={text.likeIt}
        look="quiet"
        size="desk"
        onPress={() =>
          router.navigate({
            pathname: '/history',
            params: { by: 'sheet', sheet: sheet.id, revision: sheet.revision },
          })
        }
      />
    </Section>
  );
}
