import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { ownParts } from '@slate-path/core/sharing/ownView/limits';
import { Action } from '../../../parts/Action';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { useSectionName } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { renewViews, useView } from '../../../sync/views';
import { TitledCard } from '../TitledCard';
import { CardsOfClass } from './CardsOfClass';
import { OwnPagePreview } from './OwnPagePreview';
import type { OwnView, OwnViewSettings } from './view';
import { WhatTheySee } from './WhatTheySee';

/** Before a class shows anything: what asks for nothing that the teacher did not write for the student. */
const usual: OwnViewSettings = {
  ...{ presence: true, circles: true, nods: false, work: true, weather: false, words: true },
  language: 'en',
};

const isSame = (a: OwnViewSettings, b: OwnViewSettings | null) =>
  b !== null && ownParts.every((part) => a[part] === b[part]) && a.language === b.language;

/** What the students of a class see of themselves, and the cards that lead them there. */
export function OwnViewScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const name = useSectionName(sectionId);
  const asking = useAsking('for what the class sees');
  const { answer } = useView(addressOf('ownView', { sectionId }));
  if (answer) return <OwnViewOfClass key={sectionId} sectionId={sectionId} name={name} view={answer} />;
  return (
    <Page title="Students’ own page" note={name}>
      <Words tone="inkQuiet">{asking}</Words>
    </Page>
  );
}

function OwnViewOfClass({ sectionId, name, view }: { sectionId: string; name: string; view: OwnView }) {
  const wide = useWide();
  const [settings, setSettings] = useState(view.settings ?? usual);
  const [run, problem, busy] = useTry();
  const set = (next: OwnViewSettings | null) => {
    run(async () => {
      await post(addressOf('setOwnView', { sectionId }), { settings: next });
      renewViews();
    });
  };
  const isOn = view.settings !== null;
  const nothing = !ownParts.some((part) => settings[part]);
  const preview = (
    <OwnPagePreview
      sectionId={sectionId}
      settings={nothing ? null : settings}
      studentIds={view.cards.map(({ studentId }) => studentId)}
    />
  );
  return (
    <Page
      title="Students’ own page"
      tab={`Students’ own page, ${name}`}
      note={[name, isOn ? `shown since ${view.setBy} said so` : 'not shown to anybody yet'].join(' · ')}
      back={{ to: { pathname: '/classes/[sectionId]', params: { sectionId } }, name }}
      main={{
        label: isOn ? 'Show it so from now on' : 'Show it to the class',
        about: nothing
          ? 'Choose what they see'
          : isOn
            ? 'Changes what every card opens'
            : 'Then make their cards',
        disabled: busy || nothing || isSame(settings, view.settings),
        onPress: () => {
          set(settings);
        },
      }}
      full
    >
      <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'stretch' }}>
        <View style={{ flex: wide ? 1 : undefined, gap: space(4) }}>
          <TitledCard title="What each student sees of themselves">
            <WhatTheySee settings={settings} onChange={setSettings} />
            <WhatWentWrong problem={problem} />
            {isOn ? (
              <View style={{ alignItems: 'flex-start' }}>
                <Action
                  label="Show nothing any more"
                  disabled={busy}
                  onPress={() => {
                    set(null);
                  }}
                />
              </View>
            ) : null}
          </TitledCard>
          {wide ? null : preview}
          <TitledCard title="Cards">
            <CardsOfClass sectionId={sectionId} isOn={isOn} cards={view.cards} />
          </TitledCard>
        </View>
        {wide ? <View style={{ width: 440 }}>{preview}</View> : null}
      </View>
    </Page>
  );
}
