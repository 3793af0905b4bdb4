export const rosterText = `
mt | Mei | Tanaka |
mh | Mei | Thorsen |
dq | Dario | Quispe |
aw | Aleksandra | Wolny | Sasha
cn | Caoimhe | Ní Bhriain |
ju | Jun | |
ea | Emre | Aydın |
bw | Bram | de Wit |
oo | Odalys | Ortega Ruiz |
so | Saoirse | O'Hara-Lindqvist |
ic | Imani | Castellano |
pa | Pell | Arbuckle |
rd | Rafferty | Dunmore |
ta | Tomasz | Afolabi |
yh | Yusra | Haddadin |
wc | Will | Carver |
gb | Grace | Bello |
mk | Mark | Keane |
my | May | Oduya |
hf | Hope | Fairweather |
rs | Rose | Sarr |
jl | Jordan | Lindholm |
cj | Casey | Jordan |
ms | Mateo | Silva |
mi | Marta | Silva |
jm | Jean-Luc | Moreau |
zo | Zélie | Okafor |
ao | Adaeze | Okoro |
`;
/** In other classes of the teacher. */
export const elsewhereText = `
xv | Xochitl | Vega |
lk | Luca | Kapoor |
ed | Emre | Demir |
`;
export const topicsText = `
off | off-task
spl | splicing
hw | homework, hw
ph | phone
late | late
call | calling out
grp | group work
tired | tired
slip | permission slip
knot | knots
conf | confidence
aloud | reading aloud
bully | bullying
chart | chart reading
sand | sanding
glass | safety glasses
help | asking for help
stuck | stuck
`;
