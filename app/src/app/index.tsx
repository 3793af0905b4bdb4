import { Text, Button, TextInput, Dialog, Portal } from 'react-native-paper';
import Svg, { Rect } from 'react-native-svg';
import { View } from 'react-native';
import { TZDate } from '@date-fns/tz';
import { applyEdits, invertEdits } from '@slate-path/core/changes/edit';
import { editsOf } from '@slate-path/core/changes/schema';
import Check from 'lucide-react-native/icons/check';
import { create } from 'zustand';
import { openDB } from 'idb';
import { format } from 'date-fns';
export default function Index() {
  return <View><Text>Hello {String([format(new Date(), 'd'), new TZDate(0,'UTC'), create, openDB, applyEdits, invertEdits, editsOf])}</Text><Button>one</Button><TextInput value="" /><Check size={3} /><Portal><Dialog visible><Text>a</Text></Dialog></Portal>
  <Svg width={24} height={8}><Rect width={24} height={8} /></Svg></View>;
}
