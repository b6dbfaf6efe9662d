import { View } from 'react-native';
import { units } from '@stennet/core/quantity';
import type { PullNext } from '@stennet/core/run';
import { wrenchTroubles, type WrenchTrouble } from '@stennet/core/trace';
import { useSignedIn, type HeardWrench, type WrenchLink } from '@/data';
import { BigButton } from '@/ui';
import { text } from '../text';
import { PanelBody } from './PanelText';

/** Whether a wrench is heard here, and which. */
export function WrenchLine({
  due,
  wrench: { link, listen, goesOn, goOn },
}: {
  due: PullNext;
  wrench: HeardWrench;
}) {
  const set = due.tool.wrench;
  if (link.state === 'off')
    return <BigButton text={text.heard.listen} look="quiet" onPress={() => listen(true)} />;
  const isOther = link.name !== null && set && link.name !== set.name;
  return (
    <View style={{ gap: 8 }}>
      <View role={isOther ? 'alert' : 'status'}>
        <PanelBody strong={Boolean(isOther) || link.state === 'other'}>
          {link.name === null
            ? text.heard.looking
            : link.state === 'other'
              ? text.heard.otherVersion({ name: link.name })
              : isOther
                ? text.heard.otherWrench({ heard: link.name, set: set.name })
                : (link.simulated ? text.heard.listeningSimulated : text.heard.listening)({
                    name: link.name,
                  })}
        </PanelBody>
      </View>
      {isOther ? null : <WrenchTroubles due={due} link={link} condition={link.condition} />}
      {link.kept ? (
        <View role="status">
          <PanelBody strong>{text.heard.savedBySelf(link.kept)}</PanelBody>
        </View>
      ) : null}
      {goesOn ? <PanelBody>{text.heard.goesOn}</PanelBody> : null}
      <BigButton
        text={goesOn ? text.heard.askEach : text.heard.goOn}
        look="quiet"
        onPress={() => goOn(!goesOn)}
      />
      <BigButton text={text.heard.stopListening} look="quiet" onPress={() => listen(false)} />
    </View>
  );
}

/** What is wrong with it, each with what to do. */
export function WrenchTroubles({
  due,
  link,
  condition,
}: {
  due: PullNext;
  link: WrenchLink;
  condition: WrenchLink['condition'];
}) {
  const { format } = useSignedIn();
  const { range } = link;
  const wordsOf: Record<WrenchTrouble, () => string> = {
    inReach: () => text.heard.troubles.inReach,
    zeroing: () => text.heard.troubles.zeroing,
    range: () =>
      text.heard.troubles.range({
        from: range ? format.quantity(range.min).text : '',
        to: range ? format.quantity(range.max).text : '',
      }),
    unit: () =>
      text.heard.troubles.unit({
        shows: condition.unit ? units[condition.unit].symbol : '',
        wants: due.target ? units[due.target.unit].symbol : '',
      }),
    battery: () => text.heard.troubles.battery({ p: format.number(condition.battery ?? 0, 0) }),
  };
  return (
    <>
      {wrenchTroubles(condition, range, due.target).map((trouble) => (
        <View key={trouble} role="alert">
          <PanelBody strong>{`▲ ${wordsOf[trouble]()}`}</PanelBody>
        </View>
      ))}
    </>
  );
}
