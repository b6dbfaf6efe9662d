import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { BigButton, Notice, TextField } from '@/ui';
import { AroundJob, LostPanel, lostOf, type SaveAround } from '@/ui/work';
import { takePhoto, useRunPlace, type RunPlace } from '../hooks/useRunPlace';
import { text } from '../text';
import { PanelBody, PanelTitle } from './PanelText';

function useAround(place: RunPlace): {
  problem: boolean;
  save: SaveAround;
  attempt: (work: Promise<unknown>, after?: () => void) => void;
} {
  const [problem, setProblem] = useState(false);
  const attempt = (work: Promise<unknown>, after?: () => void): void => {
    work.then(
      () => {
        setProblem(false);
        after?.();
      },
      () => setProblem(true),
    );
  };
  return {
    problem,
    attempt,
    save: (body, of) =>
      attempt(
        place.keep({
          order: place.order,
          body,
          ...(of ? { entry: of.id, version: of.version } : {}),
        }),
      ),
  };
}

/**
 * What happens beside the fasteners: kept on the repair order, from here, with the same gloves on.
 */
export function AroundPanel({ onClose }: { onClose: () => void }) {
  const place = useRunPlace();
  const router = useRouter();
  const [of, setOf] = useState('');
  const { problem, save, attempt } = useAround(place);
  if (!place.job) {
    return (
      <View style={{ gap: 12 }}>
        <PanelTitle>{text.aroundTitle}</PanelTitle>
        <PanelBody>{text.aroundAway}</PanelBody>
        <BigButton text={text.aroundClose} look="quiet" onPress={onClose} />
      </View>
    );
  }
  const { maker, engine } = place.vehicle ?? {};
  return (
    <View style={{ gap: 12 }}>
      <PanelTitle>{text.aroundTitle}</PanelTitle>
      {problem ? <Notice title={text.cannotKeep} look="warn" alert /> : null}
      <AroundJob
        job={place.job}
        entries={place.entries}
        mayWrite
        onSave={save}
        onFind={() =>
          router.navigate({
            pathname: '/find',
            params: { ...(maker ? { maker } : {}), ...(engine ? { engine } : {}) },
          })
        }
      />
      <TextField label={text.aroundPhotoOf} value={of} onChange={(t) => setOf(t.slice(0, 80))} />
      <BigButton
        text={text.aroundPhoto}
        look="quiet"
        disabled={!of.trim()}
        onPress={() => attempt(takePhoto(place, of.trim()).then((taken) => taken && setOf('')))}
      />
      <BigButton text={text.aroundClose} look="plain" onPress={onClose} />
    </View>
  );
}

/** Something fell: nothing else is asked or taken before it is found. */
export function LostInRun() {
  const place = useRunPlace();
  const { problem, save } = useAround(place);
  return (
    <View style={{ gap: 12 }}>
      {problem ? <Notice title={text.cannotKeep} look="warn" alert /> : null}
      <LostPanel lost={lostOf(place.entries)} onSave={save} />
    </View>
  );
}
