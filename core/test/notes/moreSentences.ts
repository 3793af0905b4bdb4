/** As `sentences.ts`, and read on from it. */
export const moreSentencesText = `
score 7/10 for Mark | mk | |
day after tomorrow: oil delivery, Rafferty carries | rd | | 11-27
next Friday Hope presents | hf | | 12-07
this Friday Hope presents | hf | | 11-27
Hope presents on Friday week | hf | | 12-07
a week on Monday Rose starts at the sailmaker's | rs | | 12-07
end of term report for Jun: silence | ju | | 12-18
before the weekend: phone Rafferty's aunt | rd | | 11-27
after the weekend, new groups: Imani + Emre | ic ea | | 11-30
lesson after next: splicing test | | spl | 11-30
next time check who has gloves | | | 11-27
in two lessons Pell shows his whipping | pa | | 11-30
Dario sat next to Pell, sat still all hour | dq pa | |
the sun came out, all happy | | |
Sun and Sat sailing for those who want | | | 11-30
Wed test marks back | | | 12-02
Mei T got 9/10, Mei Thorsen 4/10, talk to her tomorrow | ?mt/mh mh | | 11-26
Mei and Dario stuck on splicing | ?mt/mh dq | stuck spl |
dario, mei: late | dq ?mt/mh | late |
Thorsen late | mh | late |
tanaka late | mt | late |
Silva late | ?ms/mi | late |
M Silva late | ?ms/mi | late |
Mateo S. stuck | ms | stuck |
mateo & marta silva stuck | ms mi | stuck |
marta silva's hands shake when sanding | mi | sand |
grp work: Grace led, Mark followed, Will slept | gb mk wc | |
Group work with Rose, May, Hope: calm | rs my hf | grp |
Hope, Rose, May: calm group | hf rs my | |
grace, will and mark off task | gb wc mk | off |
grace laughed, will cried | gb wc | |
will cried | wc | |
Will not here | wc | |
will not do this again | | |
Will still hasn't handed in the log | wc | |
will you look at that | | |
May has a new phone | my | ph |
may need to re-teach knots | | knot |
may's slip came | my | |
Mark, again. | mk | |
mark again | mk | |
Good marks today | | |
Hopes are high for the regatta | | |
Praised Hope and Jun | hf ju | |
thank you Grace! | gb | |
Sat with Rose for ten minutes, splicing | rs | spl |
gave rose my spare glasses | rs | |
moved mark to the front | mk | |
asked may about the homework | my | hw |
saw will and pell at the pier, smoking | wc pa | |
Will/Grace pairing works | wc gb | |
Imani→front, Will→back | ic wc | |
+ Jun answered a question | ju | |
- Pell swore at Bram | pa bw | |
* caoimhe: hearing aid battery | cn | |
9:50 Odalys out, back 10:00 | oo | |
since ten Emre asleep | ea | |
asleep: Emre, Zelie | ea zo | tired |
sleepy class | | |
Yusra tiring fast, call home | yh | tired |
yusra's bullied?? talk to Haddadin family tomorrow | yh yh | bully | 11-26
Tomasz A promised: phone in box every lesson | ta | ph |
Tomas late | ta | late |
Rafferti absent | rd | |
Raferty absent | rd | |
Imanni stuck | ic | stuck |
Saoirse's splicign got better | so | spl |
homwork missing: Bram, Jun | bw ju | hw |
home work missing: caoimhe | cn | hw |
Offtask: pell | pa | off |
was off task again - pell | pa | off |
Pell on task the whole hour | pa | |
zero phones, zero trouble | | |
didn't call out: Odalys, first day ever | oo | |
odalys stopped calling out after the talk | oo | call |
Hand up before calling: odalys | oo | |
reads aloud without fear now, Caoimhe | cn | aloud |
caoimhe read aloud | cn | aloud |
Jun refuses to read aloud | ju | aloud |
ask for help!! (Emre never does) | ea | help |
Emre asked Bram for help | ea bw | help |
stuck: nobody | | |
sticking point = whipping twine. Dario, Mateo | dq ms | stuck |
needs permission slip + fee: Marta, Mateo, Luca | mi ms lk | slip |
no slip: Luca | lk | |
Luca from Tides visited | lk | |
kapoor late to registration | lk | late |
xochitl v. lost her fid | xv | |
vega's dad asks for a meeting on Thursday 3 December | xv | | 12-03
meeting w/ Vega family 3 Dec 2026 | xv | | 12-03
was due on 3 November: Pell's log | pa | |
Pell handed in the log on Monday | pa | |
Pell hands in the log on Monday | pa | | 11-30
Pell will hand in the log on the 14th | pa | | 12-14
on the 10th Pell was away | pa | |
tried the 3rd time, still stuck: Hope | hf | stuck |
1st place: Rose | rs | |
Nov 31 trip?? | | |
2026-12-09 moderation, bring Adaeze's log | ao | | 12-09
by 09.12.2026 all logs | | | 12-09
Adaze made a model of the pier | ao | |
adaeze okoro's grandmother visits on friday | ao | | 11-27
Okoro, Adaeze - sanding finished | ao | sand |
Casey J late, Jordan on time | cj ?jl/cj | late |
Jordan Lindholm late | jl | late |
Lindholm + Lindqvist at one bench | jl so | |
lindqvist late | so | late |
Saoirse and O'Hara's sister came | so so | |
Emre, Pell & Jun sanded without safety glasses!! | ea pa ju | sand |
Safety glasses: everyone, finally | | glass |
glasses broken (Bram), safety first | bw | |
Bram: knot tying 10/10 | bw | knot |
tied 6 knots in a minute: bram | bw | knot |
Aleksandra Wolny (Sasha) late | aw aw | late |
😀 Jun smiled | ju | |
جون late? no: Jun | ju | late |
Talk to Imani tmrw | ic | | 11-26
imani mañana? no, today | ic | |
Imani's test tomorrow morning | ic | | 11-26
See me Monday, Dario | dq | | 11-30
Dario: see me Mon. | dq | | 11-30
wants to catch up Thursday lunch: Yusra | yh | | 11-26
yusra caught up on Thursday | yh | |
Yusra has caught up since Friday | yh | |
Yusra needs to catch up by friday and hand in both logs | yh | | 11-27
extension: Jean-Luc until 1 Dec, then zero | jm | | 12-01
fortnight's trial: Casey at front; review in a fortnight | cj | | 12-09
review Casey's seat in a couple of weeks | cj | | 12-09
two weeks ago Casey sat at the back | cj | |
yesterday Marta was in tears | mi | |
Tomorrow Marta is away | mi | | 11-26
Marta is away tomorrow and on Friday | mi | | 11-26
marta back next monday | mi | | 11-30
Rafferty's trial at the yard ends next month | rd | |
by the end of the month Rafferty needs 3 logs | rd | | 11-30
at the end of next week: regatta | | | 12-03
Next week's Tuesday: photo, tell Pell | pa | | 12-01
tuesday next week: photo | | | 12-01
Tell Jordan L: photo on Tuesday | jl | | 12-01
photo Tuesday 1st | | | 12-01
Grace's homework was a mess; Will's was fine | gb wc | hw |
Bram's tired. Jun's not. | bw ju | tired |
Hope's off task, Rose isn't | hf rs | off |
nobody was bullied, just rough play: Will & Mateo | wc ms | |
splices: 4 good, 2 to redo (Dario, Imani) by next lesson | dq ic | spl | 11-27
Spliced rope test passed by all | | spl |
spoke w/ Dario re: splicing. He'd like to try the eye splice again tomorrow, said he was stuck on tucks, not lazy | dq | spl stuck | 11-26
Quiet word with Caoimhe: hearing aid hurts, tired of it, ask nurse before Friday | cn | tired | 11-27
Long chat with Tomasz. He's been up till two with his sister, so late + tired. Ring home Thursday; no phone at night agreed. | ta | late tired | 11-26
Pell, Pell, Pell. | pa pa pa | |
Everyone but Pell finished | pa | |
will carver & grace bello: peer marking | wc gb | |
G. Bello late | gb | late |
Grace B. late | gb | late |
W Carver tired | wc | tired |
Will C on task | wc | |
Hope F: confidence up | hf | conf |
`;
