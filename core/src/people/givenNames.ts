import { foldName } from './names';

/**
 * Given names that are common somewhere in the world, folded. They only tell which part of a name is the given one
 * where nothing better does; a name that is missing here tells nothing. From common usage, not from any list.
 */
const names = `
aaron astri abdul abdullah abigail abel adaeze adam adela adele adeline adrian adriana agata agnes agnieszka ahmad ahmed
aidan aiko aileen aino aisha aisling alan alba albert alberto alejandra alejandro aleksander aleksandra alessandra
alessandro alessia alex alexander alexandra alexandre alexandros alexis alfie alfonso alfred alfredo ali alice alicia
alicja alina alison alma alvaro alyssa amadou amal amalia amanda amara amelia amelie amina amir amira amit amy ana
anastasia anders andre andrea andreas andrei andres andrew andrzej aneta angel angeles angela angelica angelika angelo anika
anil anita anjali anke ann anna annabel anne annette annika anouk anselm anthony antje antoine anton antonella antonia
antonio anya april arda ariana arjun armando arne arthur artur arturo arun asa asha ashley asia aslan astrid asya
athena aurelie aurora austin ava aylin ayse aysel ayumi aziz bartosz bastian baptiste barbara bashir beata beatrice
beatriz bella ben benedikt benjamin benoit bente berat bernard bernd bernhard berta bertrand beth bettina bianca birgit
bjorn blanca boris brandon bram brenda brian bridget brigitte britta brooke bruno bryan burak caitlin caleb camila
camille can candela caoimhe carina carla carlo carlos carlotta carmen carol carolin carolina caroline carsten catalina
catarina caterina catherine cecile cecilia celia celine cem chantal charles charlie charlotte chiara chidi chinedu
chloe chris christa christian christiane christina christine christoph christopher ciara ciaran clara clarissa claude
claudia claudio claus clemence clement clementine cleo colette colin concepcion connor constance corinna corinne
cristian cristiana cristiano cristina cynthia dagmar daisy damian damien dana daniel daniela daniele danielle daria
dario dariusz darren david davide dawid deborah declan deepak deniz denise dennis derek derya desiree devi diana diane
dick diego dieter dilara dimitri dimitrios dirk dmitri dolores dominik dominika dominique donald dora doris dorota
dorothea duarte dylan ebba ebru eda eden edith edoardo eduard eduardo edward edyta efe egon eileen einar eirik elena
eleni eleanor eleonora elias elif elin elina elio elisa elisabeth elizabeth ella ellen ellie elodie elsa elvira emanuel
emeka emil emilia emiliano emilie emilio emily emine emir emma emmanuel emre encarnacion engin enrico enrique enzo eoin
erdem eric erica erik erika ernst ersin esme esmeralda esra esteban estelle esther ethan etienne eugenia eugenio eva
evan eve evelina evelyn ewa fabian fabien fabio fabrice fatima fatma federica federico felipe felix ferdinand fernanda
fernando filip filipa filipe finlay finn fiona florence florian fran franca frances francesca francesco francis
francisca francisco franco francois francoise frank franz franziska frauke fred freda frederic frederik freja freya
frida friedrich frode gabriel gabriela gabriele gabrielle gaetan gaspard gemma genevieve geoffrey george georges georgia
georgina gerald gerard gerd gerda gerhard germaine gertrud giacomo gianluca gilles giorgia giorgio giovanna giovanni
gisela giulia giulio giuseppe gloria gonzalo gordon grace graham greta grete grzegorz guadalupe gudrun guido guillaume
guillermo gunnar gunter gustav gustavo gwen haakon hakan halil hana hanna hannah hannes hans hanna harald harold harper
harriet harry hasan hassan hatice hazel heather hector hedda hedwig heidi heiko heinrich heinz helen helena helene helga
helmut hendrik henri henrik henrike henry herbert hermann hilda hilde hiroshi hortense hubert hugo huseyin ian ibrahim
ida ignacio igor iker ilaria ilona ilse imani imran ines inga inge ingeborg ingrid inigo ioana ioannis irem irena irene
irina iris irmgard isaac isabel isabella isabelle isaac ismael ismail ivan ivana ivar ivo ivy iwona izabela jack jackie
jackson jacob jacqueline jacques jaime jakob jakub james jamie jan jana jane janet janina janine janne jari jasmin
jasmine jason javier jesus jean jeanne jeff jelena jennifer jenny jens jeremy jerome jesper jessica jill jim jimena jo joachim
joan joana joanna joao joaquin jochen joe joel johan johann johanna johannes john jon jonas jonathan jordi jorg jorge
jose josef josefina joseph josephine joshua josue juan juana judith julia julian juliana julie julien juliette julio
 jurgen jusuf justin justine justyna kacper kai kaito karen karim karin karina karl karla karlo karol karolina
karsten kasia kasper katarina katarzyna kate katharina katherine kathleen kathrin katie katja katrin kaya kazuki keiko
keith kelly kemal kenji kenneth kerem kerstin kevin khadija khalid kieran kimberly kinga kirsten kirsty kjell klara
klaus konrad kris krishna kristian kristin kristina krystyna krzysztof kubra kurt kwame lachlan lana lara larissa lars
lasse laszlo laura laure laurence laurent lauren lea leah leandro leif leila lena lenka leon leona leonard leonardo
leonor leonora leonie leticia levi liam lida lieke lien lilian lilly lily lina linda linnea lisa lise liv livia lluis
logan lola loic lorena lorenzo lotta lotte louis louisa louise luc luca lucas lucia luciana lucie lucien lucy ludovic
ludwig luigi luis luisa luise lukas lukasz luna luz lydia maarten maciej madeleine madison magda magdalena magnus mahmoud
mai maia maike maja malik malte mandy manfred manon manuel manuela mar mara marc marcel marcela marcelo marcin marco
marcos marcus marek margaret margarida margarita margaux margit margot maria mariam mariana marianne marie marieke marija
marina mario marion marisa marit marius mariusz marjan marjorie mark marko markus marlene marta marte martha martin
martina martine mary maryam masha massimo mateo mateus mateusz mathias mathieu mathilde mathis matilda matilde matteo
matthew matthias matthieu maud maureen maurice mauricio mauro max maxim maxime maximilian maya mayumi medine megan
mehdi mehmet mei melanie melina melissa mercedes merete merve meryem mia michael michaela michal michalina michel michele
michelle miguel mikael mikkel mikko mila milan milena miles millie milo mina minh mira miranda mireille miriam miroslav
moa mohamed mohammed moira molly mona monica monika monique montserrat morgan morten moritz moussa muhammad murat mustafa
myriam nabil nada nadia nadine nadja naima nanna naomi natalia natalie natasha nathalie nathan nazli neil nele nelson
nerea nermin nia niamh nicholas nicola nicolas nicole niels niklas nikola nikolai nikolaus nils nina noa noah noel noelia
noemi nora norbert norma nour nuno nuria octavia odalys odile oisin okan olaf ole oleg olena olga oliver olivia olivier
omar onur orhan orla orlando oscar oskar osman oswald otto ozan ozlem pablo pamela paola paolo pascal patrice patricia
patrick patrik patrizia patryk paul paula paulina pauline paulo pavel pawel pedro peggy pekka pelin penelope per petar
peter petra philip philipp philippe phoebe pia pierre pietro pilar pinar piotr pippa priya przemyslaw rachel rachid
radoslaw rafael rafal raffaele rahul rainer raj ralf ralph ramon ramona rana raphael raquel rasmus raul raymond rebecca
regina regine reinhard remi renata renate rene reza rhys ricarda ricardo riccardo richard riikka rika rita robert roberta
roberto robin rocio roderick rodrigo roger rohan roland rolf roman romain romy ronan ronja rosa rosalia rosalie rosario
rose rosie roxane ruben rudolf rui rune rupert ruth ryan saara sabina sabine sabrina sally salma salome salvatore sam
samantha samir samira samuel sandra sandrine sanjay sanne sara sarah sascha saskia saoirse sean sebastian sebastien
sedat selda selim selin selma sena serena serge sergei sergio serhat serkan sevgi shane shanti sharon sheila shirin
sibel sibylle sidonie siegfried sigrid silke silvia silvio simon simona simone sina sinan sindre siobhan sissel siv
sofia sofie solange solveig sonia sonja sophia sophie soren stanislaw stefan stefania stefanie stella stephan stephane
stephanie stephen steven stian stine stuart sunil susan susana susanne suzanne sven svenja svetlana sylvia sylvie
szymon tabea tadeusz taha tahir taina takumi tamara tania tanja tarek tariq tatiana teo teodor teresa tereza tess thais
thea theo theodor theresa therese thibault thierry thomas thora thorsten tiago tilda till tim timo timothy tina tobias
todd tom tomas tomasz tommaso toni tonia tor tore torsten tove tracy tristan tugba tuba tyler udo ulf ulla ulrich ulrike
umberto umut unai ursula usha ute uwe valentin valentina valeria valerie vanessa vasco vera verena veronica veronika
veronique vicente victor victoria vidar viggo viktor viktoria vilde vincent vincenzo violeta virginia virginie vittoria
viviana vivien vladimir volkan volker walter wanda wendy werner wiebke wiktor wiktoria wilhelm willem william winona
wojciech wolfgang wren xavier ximena yael yannick yara yasemin yasin yasmin yasmine yeliz yigit yolanda yosef youssef yuki
yuksel yulia yuna yuri yusra yusuf yvan yves yvette yvonne zachary zainab zanna zara zeinab zelie zeynep zofia zoe
zsofia zuzanna
aada aanya aarav abena abril achieng addison aditya adjoa agathe aitor akosua aksel almaz alparslan alva amaka ambre
ananya ander andriy ane antoni aoi apolline archie asel avery axel ayaan ayana ayodele azra babajide baraka bence
bernardo bertie bilal boglarka bohdan bola bonnie brayden brianna bruna caio callum capucine carys cerys chinwe chioma
chipo cillian cody conor cormac daan dafydd daiki dakota darnell darragh davi dawit defne deirdre derrick destiny dina
divya diya dmytro donnacha duc ebony ecrin ege eino eliott elise eliska elsie eoghan euan evi evie ewan eymen farah
farai femi fenna ffion fionn fleur florrie folake franciszek gael gareth goktug grainne gurpreet hafsa hamish hamza
hania harpreet haruka hattie heitor helmi heloisa hinata hirut hong hua huda huong hyun ifeoma ignacy iida iolo iryna
isadora ishaan isla jade jamal jaspreet jing jip jiri jisoo julieta kaan kagiso karthik katerina kateryna kaua kavya
kayla keisha kenta kofi kojo lakshmi landon latoya layla leevi leire lerato levente leyla linh linus lottie lou luan
ludvig luuk mael mairead maisie makena manpreet mate matej meera mees melker mert mikel mikolaj minjun miran nahia
navya neema neha nehir ngozi nika nikhil njeri nneka nomsa noor noud nuala obinna odin oier oksana olamide oleksandr
oliwia oluwaseun omer ondrej onni orlaith ottilie owain padraig penny petro peyton phuong pola pooja poppy quang
rafaela rafi rania reggie reka ren rhiannon rin riya roisin romane romina ronnie roos rory safiya sakura sander
santiago savannah segun selam sem seoyeon seren shota siddharth sierra signe siiri simran sinead sipho skyler sneha
solomiya sora sota staszek tadhg taras tendai tewodros thabo thandi thao thijs thuy tilly tiril trang travis trevor
triana tuan tunde tuva tyrone uche umar usman vaino venla vihaan vikram vilgot vitoria vojtech wanjiru wei wilma xin
yamato yan yaroslav yaw yetunde yonas yun zala zanele ziad zoya zuri zuzia
`;

const known = new Set(names.split(/\s+/).filter(Boolean));

/** Is a word a given name that is known? "Anne-Marie" is, by each of its parts. */
export function isGivenName(word: string): boolean {
  const folded = foldName(word);
  return known.has(folded) || (folded.includes('-') && folded.split('-').every((part) => known.has(part)));
}
