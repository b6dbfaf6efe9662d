import { useState } from 'react';
import { View } from 'react-native';
import { vinIn } from '@stennet/core/find';
import { barcodesIn } from '@/platform/barcode';
import { chooseFile } from '@/platform/files';
import { BigButton, Notice } from '@/ui';
import { text } from '../text';

/** The plate on the door or the windshield is photographed instead of typed. */
export function VinCamera({ onRead }: { onRead: (vin: string) => void }) {
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const scan = async (): Promise<void> => {
    const picture = await chooseFile('image/*', 'camera');
    if (!picture) return;
    setBusy(true);
    setSaid(null);
    const vin = await barcodesIn(picture).then(vinIn, () => null);
    setBusy(false);
    if (vin) onRead(vin);
    else setSaid(text.scanNothing);
  };
  return (
    <View>
      <BigButton
        text={busy ? text.scanning : text.scanVin}
        look="quiet"
        size="desk"
        disabled={busy}
        onPress={() => void scan()}
      />
      {said ? <Notice title={said} text={text.scanAgain} look="warn" alert /> : null}
    </View>
  );
}
