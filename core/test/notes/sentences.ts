/**
 * Notes as teachers write them, with what must be read: students (`?a/b` has to be asked), topics, the
 * day to look again. Written on Wednesday 25 November 2026 at 10:05, in a lesson from 09:45 to 10:35.
 * Every other one, from the second, was not looked at while the reading was tuned.
 */
export const sentencesText = `
dario and mei t both stuck on splicing, dario wants till thursday | dq ?mt/mh | stuck spl | 11-26
Mei was late again. | ?mt/mh | late |
Jun off task most of the lesson | ju | off |
sasha finished her splice, helped caoimhe | aw cn | spl |
Aleksandra tired, asked to sit out | aw | tired |
Pell's phone out at 9:05, again at 9:20 | pa | ph |
no homework from Tomasz, will bring it Friday | ta | hw | 11-27
yusra back after two weeks, very quiet | yh | |
Bram de Wit and Odalys: brilliant group work today. | bw oo | grp |
Ortega Ruiz calling out, third time this week | oo | call |
O'Hara-Lindqvist late, 8 min | so | late |
saoirse ohara lindqvist forgot her safety glasses | so | glass |
Will will bring his permission slip tomorrow | wc | slip | 11-26
will was off task until i moved him next to grace | wc gb | off |
Grace period for the logs ends on Friday | | | 11-27
Grace handed in her homework early | gb | hw |
Mark missing his safety glasses again | mk | glass |
The mark on the last test was low for everybody | | |
May I move the benches? ask the caretaker tomorrow | | | 11-26
May Oduya read aloud for the first time, big step | my | aloud |
Hope was tired, head on desk from 9:50 | hf | tired |
I hope Imani settles soon | ic | |
Rose asked for help twice without being prompted | rs | help |
rose to the challenge, all of them | | |
Jordan off task | ?jl/cj | off |
Casey Jordan and Jordan Lindholm swapped seats | cj jl | |
silva twins chatting all lesson | ms mi | |
Mateo Silva sanded the whole keel alone | ms | sand |
jean luc and zelie worked in group, no trouble | jm zo | grp |
Zelie not off task once today! | zo | |
Adaeze: confident, explained the chart to Emre | ao ea | conf |
Emre D. borrowed the splicing fid | ed | spl |
Xochitl dropped by to return the book | xv | |
rafferty dunmore absent, rang home, mother calls back tomorrow | rd | | 11-26
spoke to Rafferty about his phone, he agreed to leave it in the box | rd | ph |
Imani and Pell, Tomasz too: talked over Bram all the time | ic pa ta bw | |
Check Dario's splice next lesson | dq | spl | 11-27
look at Odalys again in two weeks | oo | | 12-09
retake for Yusra on Monday | yh | | 11-30
quiz on knots the 14th | | knot | 12-14
Caoimhe was late on Monday and Tuesday | cn | late |
Last Friday Emre cried after group work, seems fine now | ea | grp |
since Monday Jun has been silent | ju | |
Tomasz promised to bring the slip by the end of the week | ta | | 11-27
permission slips due 4 December | | slip | 12-07
sailing trip on 12 December, Bram has no slip yet | bw | | 12-14
Darios homework half done | dq | hw |
daroi stuck at step 3 | dq | stuck |
Tomaz late 5 min | ta | late |
ODALYS CALLED OUT TWICE | oo | call |
MEI TANAKA TIRED | mt | tired |
mei thorsen & mei tanaka both finished | mh mt | |
both Meis were late | mt mh | late |
Mei H lent her knife to Pell | ?mt/mh pa | |
Mei Th. needs the eyewash form signed | mh | |
Tanaka, Mei: safety glasses on, good sanding | mt | glass sand |
M. Tanaka came in at ten | mt | |
Castellano sisters? no, only Imani here | ic | |
Mrs Tanaka rang: she is worried about the trip | | |
Ms Okoro emailed about homework | | hw |
told will to put the phone away | wc | ph |
with grace and mark at the lathe: good | gb mk | |
she handled it with grace | | |
will need more rope for friday | | | 11-27
Grace will be away from Monday | gb | | 11-30
mark the splices by friday | | spl | 11-27
mark was stuck on the bowline, gave up | mk | stuck |
Bowline knot: Hope and Rose got it first | hf rs | knot |
hope dies last, they say; nobody stuck today | | |
Can Jordan L. be moved away from Casey? | jl cj | |
jordan, casey and mateo: off-task, sent out at 10:00 | ?jl/cj cj ms | off |
Bello absent | gb | |
carver will ring back tomorrow | wc | | 11-26
Keane's mum says homework takes him 3 hours | mk | hw |
Fairweather: reading aloud went well | hf | aloud |
In May we start the big boat | | |
on 3 May the review begins | | | 2027-05-03
Sarr hid her phone in her sock | rs | ph |
phones everywhere today | | ph |
chart reading still weak: Luca, Xochitl | lk xv | chart |
read the charts with Adaeze, she is ahead | ao | chart |
Marta S reads charts upside down, funny but right | mi | chart |
Marta's confidence is growing | mi | conf |
Confidence low, tears: Zélie | zo | conf |
Okafor vs Okoro: seat them apart | zo ao | |
Quispe asked "why do we splice at all?" good question | dq | spl |
"I don't get it" - Pell, about knots | pa | knot |
Imani said "Dario always copies" and dario denied it | ic dq | |
Wit wouldn't wear his glasses | bw | |
de Wit tired again | bw | tired |
Ní Bhriain late | cn | late |
ni bhriain needs the loud seat, hearing | cn | |
caoimhe stuck, not on splicing but on the whipping | cn | stuck spl |
never seen Pell so focused | pa | |
jun wasn't late for once | ju | |
Jun is no longer off task since the new seat | ju | |
Tomasz isn't tired any more, sleeps better | ta | |
not only late but also without glasses: Rafferty | rd | late |
rafferty wants another try next week | rd | | 11-30
extension for Mark till Friday | mk | | 11-27
test moved to 30 February, ha | | |
handed in last year already? ask office | | |
Emre A and Emre D worked together | ea ed | |
emre late | ea | late |
Aydin's boat floats! | ea | |
aydın needs help asking for help | ea | help |
Yusra H. 15 min late, bus | yh | late |
haddadin: permission slip in | yh | slip |
arbuckle off task x3 | pa | off |
Pell & Will: phones out, took both, back on Friday | pa wc | ph | 11-27
will, mark, and may stayed behind to tidy | wc mk my | |
may was brilliant at sanding | my | sand |
We may be short of rope | | |
Rain may cancel the trip on Thursday | | | 11-26
Rose and Odalys work well together | rs oo | |
the rose on the chart is wrong | | |
he rose late | | late |
call Saoirse's parents tomorrow about the slip | so | | 11-26
ring home re Tomasz tomorrow pm | ta | | 11-26
email Will's dad by Thursday | wc | | 11-26
Ask Hope about the trip on Friday | hf | | 11-27
Friday: knots test, Bram needs extra time | bw | knot | 11-27
Bram needs extra time | bw | |
seat change: Dario to the window, Imani to the door | dq ic | |
Imani's on fire today!! | ic | |
great day, nobody late | | |
everyone tired after the swim | | tired |
Fire drill at 10:15 | | |
Zélie Okafor wept, bullied by older kids at the pier | zo | bully |
bullying? watch Casey and Marta at lunch | cj mi | bully |
Casey bullies nobody, rumour is false | cj | bully |
hw: Adaeze ok, Jean-Luc none, Moreau's excuse: "dog" | ao jm jm | hw |
Luc called out "boring" | jm | call |
jean-luc moreau and jean luc's brother | jm jm | |
Odalys O R late | oo | late |
Ruiz late | oo | late |
odalis late again | oo | late |
odalyss phone | oo | ph |
Sacha helped | aw | |
Sasha W best splice of the day | aw | spl |
wolny asked for help with her splice | aw | help spl |
She and Sasha want to redo the splice on Monday | aw | spl | 11-30
Monday again: tomasz away | ta | |
Missed Monday: Tomasz, Yusra | ta yh | |
Tomasz missed the knots test on Monday, resit Thursday | ta | knot | 11-26
Resit Thursday for Tomasz | ta | | 11-26
in 3 days: check Bram's blister | bw | | 11-30
check again in ten minutes | | |
worked for two weeks on the keel | | |
two weeks late, this log: Pell | pa | late |
Pell: log by the 1st | pa | | 12-01
See Pell on the 2nd of December | pa | | 12-02
see pell 2 dec | pa | | 12-02
Dec 3rd parents' evening: Quispe, Bello | dq gb | | 12-03
3/12 boat show | | |
by 3/12 boat show posters, Grace | gb | | 12-03
`;
