import { many } from '@slate-path/core/words/many';
import { Card } from '../../../parts/Card';
import { Sentence, type SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { View } from 'react-native';
import { space } from '../../../theme/tokens';

interface NoddedStudentsProps {
  students: readonly { id: string; name: string; classes: readonly string[] }[];
  days: SentencePart;
}

/** Who had nods, class by class. */
export function NoddedStudents({ students, days }: NoddedStudentsProps) {
  const classes = [...new Set(students.flatMap((one) => one.classes))].sort((a, b) => a.localeCompare(b));
  return (
    <>
      <Sentence parts={[`${many(students.length, 'student')} had a nod in `, days, '.']} />
      {classes.map((name) => (
        <Card key={name}>
          <Words bold heading={2}>
            {name}
          </Words>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(5) }}>
            {students
              .filter((one) => one.classes.includes(name))
              .map((one) => (
                <Words key={one.id}>{one.name}</Words>
              ))}
          </View>
        </Card>
      ))}
    </>
  );
}
