import { StyleSheet, View } from 'react-native';
import type { Sheet } from '@stennet/core/procedure';
import { photoPath } from '@/data';
import { Card, Fold } from '@/ui';
import { ZoomPicture } from '@/ui/work';
import { text } from '../text';

/** The pages it was written from, as the lead had them beside the draft. */
export function SourcePages({ sheet }: { sheet: Sheet }) {
  const pages = sheet.source.pages ?? [];
  if (pages.length === 0) return null;
  return (
    <Card>
      {pages.map((page, i) => (
        <Fold key={page.photo} title={text.sourcePage({ n: i + 1, of: pages.length })}>
          <View style={styles.page}>
            <ZoomPicture
              uri={photoPath(page.photo)}
              width={page.width}
              height={page.height}
              label={text.sourcePage({ n: i + 1, of: pages.length })}
            />
          </View>
        </Fold>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({ page: { height: 420, marginTop: 8 } });
