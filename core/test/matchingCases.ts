import type { Known } from '../src/attendance/participants/matchPeople';

/** Called, given, family, e-mail, school id; an empty field is unknown. */
const people = `
mt | Mei | Tanaka |  | mei.tanaka@ternrock.example | T101
mh | Mei | Thorsen |  | mei.thorsen@ternrock.example | T102
dq | Dario | Quispe |  | dario.quispe@ternrock.example | T103
aw | Aleksandra | Wolny | Sasha | a.wolny@ternrock.example | T104
cn | Caoimhe | Ní Bhriain |  | caoimhe.nb@ternrock.example | T105
ju | Jun |  |  | jun@ternrock.example | T106
ea | Emre | Aydın |  | emre.aydin@ternrock.example | T107
bw | Bram | de Wit |  | bram.dewit@ternrock.example | T108
oo | Odalys | Ortega Ruiz |  |  | T109
zo | Zélie | O'Dwyer-Okafor |  | zelie.ook@ternrock.example | T110
ic | Imani | Castellano |  | imani@ternrock.example | T111
fr | Finlay | Rasmussen |  |  | T112
wt | Wren | Tesfaye |  | wren.tesfaye@ternrock.example |
yh | Yusra | Haddadin |  |  |
yd | Yusuf | Drummond |  |  |
ao | Adaeze | Okoro |  | adaeze.okoro@ternrock.example | T116
as | Astrid | Seabrook |  | astrid.seabrook@ternrock.example | T117
ms | Mateo | Silva |  |  | T118
ma | Maria | Silva |  |  | T119
we | William | Eastgate |  |  | T120
ng | Nguyen Thi | Giang |  |  | T121
ka | Katherine | Aldous | Kit |  | T122
`;

export const students: Known[] = people
  .trim()
  .split('\n')
  .map((line) => {
    const [id = '', givenName = '', familyName = '', called = '', email = '', schoolId = ''] = line
      .split('|')
      .map((cell) => cell.trim());
    return { id, givenName, familyName, called, email, schoolId };
  });

export interface MatchingCase {
  entry: string;
  /** A student's id; `?` and whom it could be, where it must be asked; `-` for a stranger. */
  expected: string;
}

function casesOf(text: string): MatchingCase[] {
  return text
    .trim()
    .split('\n')
    .map((line) => {
      const [entry = '', expected = ''] = line.split('=>').map((part) => part.trim());
      return { entry, expected };
    });
}

/** Looked at while the matching was tuned. */
export const tuned = casesOf(`
Mei Tanaka => mt
mei tanaka => mt
TANAKA Mei => mt
Tanaka, Mei => mt
Mei Thorsen => mh
Mei T. => ? mt mh
Mei => ? mt mh
Mei Ta => ? mt mh
mei.tanaka@ternrock.example => mt
MEI.TANAKA@TERNROCK.EXAMPLE => mt
meitanaka@ternrock.example => mt
mei.tanaka+class@ternrock.example => mt
Mei <mei.thorsen@ternrock.example> => mh
Dario => dq
Dario Q => dq
Dario Q. => dq
D. Quispe => dq
Quispe D => dq
Quispe => dq
Dario Quispe (Guest) => dq
Dario's iPad => dq
dario quispe iphone => dq
Dario Qiuspe => dq
Dairo Quispe => dq
Mario Quispe => ? dq
Dario Lopez => ? dq
Rosa Quispe => -
Sasha Wolny => aw
Sasha => aw
Aleksandra Wolny => aw
Alex Wolny => aw
Wolny Sasha => aw
Caoimhe Ni Bhriain => cn
caoimhe nibhriain => cn
Caoimhe N => cn
Caoimhe Bhriain => cn
Jun => ju
JUN => ju
Jun Park => ? ju
Emre Aydin => ea
Emre Aydın => ea
E. Aydin => ea
Emre Aydinn => ea
Bram de Wit => bw
Bram Wit => bw
Bram deWit => bw
de Wit, Bram => bw
Odalys Ortega => oo
Odalys Ruiz => oo
Odalys Ortega Ruiz => oo
Odalis Ortega Ruiz => oo
Zelie O'Dwyer-Okafor => zo
Zelie ODwyer Okafor => zo
Zélie Okafor => zo
T111 => ic
Imani Castelano => ic
Inami Castellano => ic
Ines Halloran (Host) => -
Silva => ? ms ma
M Silva => ? ms ma
Mario Silva => ? ma
Bill Eastgate => we
Will => we
Robin Fields => -
`);

/** Written before the matching was first run, and not looked at while it was tuned. */
export const heldOut = casesOf(`
Finlay Rasmussen => fr
Rasmussen, Finlay => fr
finlay r => fr
F Rasmussen => fr
Finlay Rasmusen => fr
Finaly Rasmussen => fr
Rasmussen => fr
Finlay Rasmussen's iPhone => fr
Wren => wt
Wren Tesfaye => wt
wren.tesfaye@ternrock.example => wt
wrentesfaye@ternrock.example => wt
Tesfaye Wren (me) => wt
W. Tesfaye => wt
Wren Tesfay => wt
Yusra => yh
Yusuf => yd
Yusra Haddadin => yh
Yusra H => yh
Yusuf D. => yd
Y. Haddadin => yh
Yusra Hadaddin => yh
Yusuf Drumond => yd
Yusra Drummond => ? yh yd
Adaeze Okoro => ao
Adaeze O => ao
ADAEZE OKORO => ao
Okoro Adaeze => ao
Adaeze Okorro => ao
adaeze.okoro@ternrock.example => ao
a.okoro@elsewhere.example => ? ao
Astrid Seabrook => as
Astrid => as
Astrid Seabrok => as
Astrid S => as
Astri Seabrook => ? as
Ingrid Seabrook => -
Mateo Silva => ms
Maria Silva => ma
Mateo => ms
Maria => ma
Matteo Silva => ms
Mariana Silva => ? ma
William Eastgate => we
Will Eastgate => we
Billy E => we
W Eastgate => we
Wiliam Eastgate => we
Nguyen Thi Giang => ng
Giang Nguyen => ng
Thi Giang => ng
Giang => ng
Kit Aldous => ka
Kate Aldous => ka
Katherine A. => ka
Kit => ka
Katherine Aldous => ka
Dr. Peter Aldous => -
Zelie => zo
Zelie Odwyer => zo
O'Dwyer Zélie => zo
zelie.ook@ternrock.example => zo
Odalys => oo
Ortega => oo
Bram => bw
Caoimhe Ní Bhriain => cn
Kasper Lind => -
imani@ternrock.example => ic
Imani C => ic
Castellano => ic
T104 => aw
Emre => ea
Tablet 7 => -
`);
