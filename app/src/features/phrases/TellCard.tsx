import { addressOf } from '@slate-path/core/api/address';
import { contactTones, toneNames, type ContactTone } from '@slate-path/core/contact/tones';
import { displayName } from '@slate-path/core/people/names';
import { fillBlanks } from '@slate-path/core/phrases/blanks';
import { many } from '@slate-path/core/words/many';
import { View } from 'react-native';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Field } from '../../parts/Field';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { useAccount } from '../../sync/account';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { space } from '../../theme/tokens';
import { letterOf, type Line } from './each';
import { valuesFor } from './valuesFor';

interface TellCardProps {
  lines: readonly Line[];
  isTold: boolean;
  subject: string;
  tone: ContactTone;
  onTone: (tone: ContactTone) => void;
  onTold: (isTold: boolean) => void;
  onSubject: (subject: string) => void;
}

/** Whether home is told, how many homes that are, and what the first of them will read. */
export function TellCard({ lines, isTold, subject, tone, onTone, onTold, onSubject }: TellCardProps) {
  const records = useRecords((state) => state.current);
  const { teacherName } = useAccount();
  const { answer } = useView(addressOf('outbox'));
  const reached = lines.filter(({ addresses }) => addresses.length > 0);
  const [first] = reached;
  return (
    <Card style={{ padding: 0 }}>
      <TickRow name="Tell home too" ticked={isTold} onChange={onTold}>
        <Words bold>Tell home too</Words>
        <Words size="small" tone="inkQuiet">
          {`${reached.length} of ${many(lines.length, 'student')} ${reached.length === 1 ? 'has' : 'have'} a guardian’s address`}
        </Words>
      </TickRow>
      {isTold ? (
        <View style={{ padding: space(4), gap: space(3) }}>
          <Choice
            name="What home hears"
            value={tone}
            options={contactTones.map((value) => ({ value, label: toneNames[value] }))}
            onChange={onTone}
          />
          <Field label="Subject" value={subject} onChange={onSubject} />
          {first ? (
            <View style={{ gap: space(1) }} testID="letter">
              <Words size="small" tone="inkQuiet">
                {`As the home of ${displayName(first.member.student)} will read it`}
              </Words>
              <Words bold>{fillBlanks(subject, valuesFor(records, first.member)).text}</Words>
              <Words>{letterOf(first.text, teacherName)}</Words>
            </View>
          ) : null}
          {answer?.isSent === false ? (
            <Words tone="inkQuiet">
              No mail server is set up: letters are kept in the outbox, and go nowhere. Open them there in
              your mail program.
            </Words>
          ) : null}
        </View>
      ) : null}
    </Card>
  );
}
