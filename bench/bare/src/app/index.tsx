import { ScrollView } from 'react-native';
import { Button, Text, TouchableRipple } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';

const names = Array.from({ length: 36 }, (_, index) => `Pupil${String(index + 1).padStart(2, '0')}`);

/** As many rows as the roll has, each with a text and a drawing, and one button. */
export default function Rows() {
  return (
    <ScrollView>
      {names.map((name) => (
        <TouchableRipple key={name} role="button" testID="student-row" onPress={() => undefined}>
          <>
            <Text>{name}</Text>
            <Svg width={24} height={8}>
              <Path d="M0 4h24" stroke="#2E5266" />
            </Svg>
          </>
        </TouchableRipple>
      ))}
      <Button mode="contained" onPress={() => undefined}>
        All here
      </Button>
    </ScrollView>
  );
}
