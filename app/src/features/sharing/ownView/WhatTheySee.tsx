import { View } from 'react-native';
import { ownParts } from '@slate-path/core/sharing/ownView/limits';
import { Sentence } from '../../../parts/Sentence';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { languagePhrase } from '../languagePhrase';
import type { OwnViewSettings } from './view';
import { ownPartNames } from './partNames';

interface WhatTheySeeProps {
  settings: OwnViewSettings;
  onChange: (settings: OwnViewSettings) => void;
}

/** The parts of a student's own page, and in which language its fixed words are. */
export function WhatTheySee({ settings, onChange }: WhatTheySeeProps) {
  return (
    <View style={{ gap: space(3) }}>
      <View role="group" aria-label="Parts of the page">
        {ownParts.map((part) => {
          const { label, note } = ownPartNames[part];
          return (
            <TickRow
              key={part}
              name={`${label}: ${note}`}
              ticked={settings[part] ?? false}
              onChange={(ticked) => {
                onChange({ ...settings, [part]: ticked });
              }}
            >
              <Words>{label}</Words>
              <Words size="small" tone="inkQuiet">
                {note}
              </Words>
            </TickRow>
          );
        })}
      </View>
      <Sentence
        parts={[
          'Of this term, its fixed words in ',
          languagePhrase(settings.language, (language) => {
            onChange({ ...settings, language });
          }),
          '. Other students are told as initials only; notes never go.',
        ]}
      />
    </View>
  );
}
