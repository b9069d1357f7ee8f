/**
 * What people call out, beside what a tape and a scale would find: our own estimates of ordinary things,
 * made without looking at the vocabulary. Cautions in any order; the way out is the first to offer.
 */
export interface Phrase {
  readonly text: string;
  readonly count: number;
  /** As people store it, all pieces. */
  readonly litres: number;
  readonly massG: number;
  readonly cautions: readonly string[];
  readonly way: string;
}

const read = (table: string): Phrase[] =>
  table
    .trim()
    .split('\n')
    .map((line) => {
      const [text = '', count, litres, grams, cautions = '', way = ''] = line
        .split('|')
        .map((part) => part.trim());
      return {
        text,
        count: Number(count),
        litres: Number(litres),
        massG: Number(grams),
        cautions: cautions.split(' ').filter((code) => code !== ''),
        way,
      };
    });

export const phrases: readonly Phrase[] = read(`
12 shirts | 12 | 14 | 2800 | | give
shirts x12 | 12 | 14 | 2800 | | give
6 wool scarves, moth holes in two | 6 | 10 | 1200 | mould_pest | bin
3 jumpers | 3 | 11 | 1300 | | give
5 pairs of jeans | 5 | 13 | 3200 | | give
2 winter coats | 2 | 30 | 3200 | | give
a raincoat | 1 | 6 | 600 | | give
25 pairs of socks | 25 | 8 | 1500 | | textile
single sock | 1 | 0.15 | 30 | | textile
10 t-shirts | 10 | 9 | 1700 | | give
8 pairs of underpants | 8 | 1.5 | 450 | | textile
2 bras | 2 | 1.2 | 180 | | textile
4 ties | 4 | 1.2 | 240 | | give
3 belts | 3 | 1.6 | 550 | | give
a pair of leather gloves | 1 | 0.8 | 100 | | give
a pair of boots, outgrown | 1 | 14 | 1600 | | give
4 pairs of trainers | 4 | 28 | 2800 | | give
2 football boots | 2 | 6 | 600 | | give
high heels | 1 | 5 | 550 | | give
slippers | 1 | 4 | 400 | | give
kids wellies | 1 | 8 | 900 | | give
evening dress | 1 | 10 | 900 | | give
man's suit | 1 | 22 | 1500 | | give
5 ladies blouses | 5 | 5 | 800 | | give
pyjamas, 3 | 3 | 10 | 1300 | | give
dressing gown | 1 | 10 | 1100 | | textile
2 swimsuits | 2 | 1 | 260 | | give
bag of clothes | 1 | 50 | 9000 | | textile
two bin bags of clothes | 2 | 110 | 18000 | | textile
30 hangers | 30 | 30 | 1900 | | give
20 wire hangers | 20 | 12 | 1000 | | give
handbag | 1 | 8 | 700 | | give
10 carrier bags | 10 | 1.5 | 100 | | recycle
rucksack 50 l | 1 | 50 | 1500 | | give
large suitcase | 1 | 100 | 4200 | | give
2 umbrellas, broken | 2 | 3 | 700 | | bin
sunglasses | 1 | 0.5 | 30 | | give
12 bath towels | 12 | 40 | 6000 | | textile
6 hand towels | 6 | 8 | 1100 | | textile
4 beach towels | 4 | 17 | 2600 | | textile
bath towel 70 x 140 cm | 1 | 3.3 | 500 | | textile
10 tea towels | 10 | 4 | 650 | | textile
4 fitted sheets | 4 | 9 | 2200 | | textile
double duvet | 1 | 50 | 2300 | | give
13.5 tog duvet | 1 | 55 | 2500 | | textile
2 pillows | 2 | 52 | 1500 | | give
pillowcases, 8 | 8 | 4.5 | 1000 | | textile
3 duvet covers | 3 | 11 | 2700 | | textile
wool blanket | 1 | 10 | 1500 | | textile
4 cushions | 4 | 75 | 2200 | | give
tablecloth | 1 | 1.8 | 450 | | textile
12 cloth napkins | 12 | 2.2 | 600 | | textile
pair of curtains | 1 | 16 | 2800 | | give
sleeping bag | 1 | 14 | 1400 | | give
yoga mat | 1 | 9 | 1100 | | give
doormat | 1 | 5 | 1800 | | bin
12 dinner plates | 12 | 12 | 7000 | | give
6 side plates | 6 | 2.5 | 1700 | | give
5 of 6 bowls | 5 | 4 | 2000 | | give
8 mugs | 8 | 9 | 2800 | | give
6 wine glasses | 6 | 9 | 1000 | | give
a dozen tumblers | 12 | 8 | 3500 | | give
cracked wine glass | 1 | 1.4 | 170 | glass | bin
24 piece dinner set | 24 | 30 | 11000 | | give
teapot | 1 | 5 | 900 | | give
set of 6 knives | 6 | 0.5 | 450 | | give
24 forks | 24 | 1.3 | 1100 | | give
half a dozen teaspoons | 6 | 0.2 | 140 | | give
bread knife | 1 | 0.3 | 180 | blade | give
kitchen scissors | 1 | 0.3 | 130 | blade | give
26 cm frying pan | 1 | 8 | 1100 | | give
set of saucepans | 1 | 30 | 5000 | | give
stockpot | 1 | 20 | 2200 | | give
casserole dish | 1 | 13 | 4000 | | give
wok | 1 | 15 | 1600 | | give
4 baking trays | 4 | 6 | 2600 | | give
muffin tin | 1 | 3.5 | 450 | | give
2 cake tins | 2 | 6 | 1000 | | give
colander | 1 | 7 | 450 | | give
chopping board | 1 | 2 | 1100 | | give
rolling pin | 1 | 1.4 | 600 | | give
cheese grater | 1 | 2 | 250 | blade | give
corkscrew | 1 | 0.35 | 180 | | give
10 plastic tubs with lids | 10 | 8 | 1000 | | give
12 empty jam jars | 12 | 12 | 3600 | | recycle
lids, 9 | 9 | 1.8 | 400 | | give
lunch box | 1 | 2 | 250 | | give
kettle | 1 | 8 | 1200 | electrical | give
old toaster | 1 | 11 | 1700 | electrical | give
coffee machine | 1 | 21 | 2800 | electrical | give
food processor | 1 | 25 | 5500 | electrical | give
stand mixer | 1 | 32 | 9000 | electrical | give
microwave | 1 | 52 | 13000 | electrical | give
slow cooker 3.5 l | 1 | 22 | 4300 | electrical | give
air fryer | 1 | 36 | 5500 | electrical | give
kitchen scales | 1 | 1.8 | 700 | electrical | give
waffle iron | 1 | 8 | 2200 | electrical | give
bread bin | 1 | 20 | 2200 | | give
6 rolls of kitchen paper | 6 | 17 | 1300 | | give
cling film | 1 | 1.2 | 300 | | give
roll of bin bags | 1 | 1.2 | 400 | | give
ice cube trays, 2 | 2 | 1.6 | 160 | | give
bag of rice 5 kg | 1 | 6.3 | 5000 | | give
3 x 500 g pasta | 3 | 5.5 | 1500 | | give
flour 1.5 kg | 1 | 1.9 | 1500 | | give
2 kg of sugar | 1 | 2.4 | 2000 | | give
4 tins of tomatoes | 4 | 2.4 | 1950 | | give
tin of beans, bulging | 1 | 0.6 | 480 | food_safety | bin
12 tins of dog food | 12 | 7 | 5500 | | give
jar of jam | 1 | 0.6 | 620 | | give
jam, 6 jars | 6 | 3.6 | 3700 | | give
peanut butter | 1 | 0.7 | 500 | | give
honey | 1 | 0.6 | 680 | | give
bottle of olive oil | 1 | 1.6 | 1000 | | give
ketchup | 1 | 0.95 | 600 | | give
soy sauce | 1 | 0.6 | 350 | | give
18 spice jars | 18 | 3.8 | 1900 | | bin
paprika 08/24 | 1 | 0.2 | 100 | | bin
box of cornflakes | 1 | 3.7 | 500 | | give
packet of biscuits | 1 | 1 | 320 | | give
10 bars of chocolate | 10 | 1.8 | 1050 | | give
tea bags | 1 | 1.5 | 250 | | give
ground coffee 500 g | 1 | 1.2 | 500 | | give
12 eggs | 12 | 1.2 | 740 | food_safety | bin
5 kg potatoes | 1 | 8 | 5000 | food_safety | bin
milk 10/26 | 1 | 1.3 | 1050 | food_safety | bin
yoghurt 0824 | 1 | 0.7 | 500 | food_safety | bin
mouldy bread | 1 | 3 | 700 | mould_pest food_safety | bin
6-pack of beer | 6 | 6 | 4800 | | give
12 x 33 cl cola | 12 | 4.4 | 4200 | | give
bottle of wine | 1 | 1.6 | 1300 | | give
case of wine | 1 | 22 | 16000 | heavy | give
6 x 1.5 l water | 6 | 12 | 9200 | | give
bottle of whisky | 1 | 1.6 | 1250 | | give
frozen peas | 1 | 1.8 | 900 | food_safety | bin
baby formula | 1 | 2 | 950 | | give
shampoo | 1 | 0.55 | 300 | | bin
3 bars of soap | 3 | 0.5 | 315 | | bin
half-used shower gel | 1 | 0.5 | 170 | | bin
5 toothbrushes | 5 | 0.3 | 90 | | bin
electric toothbrush | 1 | 1.5 | 300 | electrical battery | electricals
toothpaste, 2 tubes | 2 | 0.6 | 210 | | bin
deodorant spray | 1 | 0.4 | 180 | hazardous_waste | hazardous
hairspray | 1 | 0.5 | 300 | hazardous_waste | hazardous
nail varnish, 8 | 8 | 0.5 | 350 | hazardous_waste | hazardous
nail varnish remover | 1 | 0.3 | 170 | hazardous_waste | hazardous
sun cream | 1 | 0.4 | 230 | | bin
perfume | 1 | 0.35 | 280 | hazardous_waste | give
razor blades | 1 | 0.1 | 40 | blade | bin
12 toilet rolls | 12 | 15 | 1300 | | give
packet of tampons | 1 | 0.5 | 80 | | bin
hairdryer | 1 | 5 | 650 | electrical | give
hair straighteners | 1 | 0.8 | 500 | electrical | give
4 hairbrushes | 4 | 2.2 | 440 | | give
bathroom scales | 1 | 3.7 | 1800 | electrical battery | give
bath mat | 1 | 3 | 600 | | give
shower curtain | 1 | 2 | 400 | | bin
laundry basket | 1 | 50 | 1300 | | give
nasal spray | 1 | 0.12 | 35 | medicine | pharmacy
paracetamol, out of date | 1 | 0.12 | 30 | medicine | pharmacy
11 packs of tablets | 11 | 1.7 | 400 | medicine | pharmacy
cough syrup | 1 | 0.4 | 260 | medicine | pharmacy
antibiotics | 1 | 0.15 | 40 | medicine | pharmacy
insulin pens | 1 | 0.4 | 100 | medicine sharps | pharmacy
used needles | 1 | 0.2 | 40 | sharps | pharmacy
vitamin tablets | 1 | 0.3 | 100 | medicine | pharmacy
eye drops | 1 | 0.08 | 25 | medicine | pharmacy
asthma inhaler | 1 | 0.2 | 40 | medicine gas | pharmacy
24 plasters in a box | 24 | 0.15 | 35 | | give
two boxes of 24 plasters | 48 | 0.3 | 70 | | give
bandages | 1 | 0.5 | 100 | | give
first aid kit | 1 | 5 | 900 | medicine | give
hot water bottle | 1 | 2 | 350 | | give
mercury thermometer | 1 | 0.04 | 20 | hazardous_waste glass | hazardous
walking stick | 1 | 3.5 | 400 | | give
pair of crutches | 1 | 30 | 1100 | | give
wheelchair | 1 | 230 | 17000 | heavy | give
reading glasses | 1 | 0.4 | 30 | | give
blood pressure monitor | 1 | 2.5 | 600 | battery | give
300 postcards | 300 | 2.2 | 1600 | | recycle
15 kg of bank statements | 1 | 24 | 15000 | paper_private | shred
ream of paper | 1 | 3.3 | 2500 | | recycle
box of papers | 1 | 30 | 12000 | paper_private | shred
tax papers 2009 to 2015 | 1 | 2 | 1000 | paper_private | shred
payslips | 1 | 0.4 | 200 | paper_private | shred
4 ring binders | 4 | 24 | 3000 | | recycle
passport | 1 | 0.05 | 40 | paper_private | shred
20 magazines | 20 | 6 | 4000 | | recycle
pile of magazines | 1 | 9 | 6500 | | recycle
stack of newspapers | 1 | 18 | 9000 | | recycle
bundle of letters | 1 | 0.8 | 350 | paper_private | shred
50 birthday cards | 50 | 2 | 1000 | | recycle
old diaries, 6 | 6 | 4 | 2100 | paper_private | shred
7 notebooks | 7 | 2.4 | 1500 | | recycle
200 photographs | 200 | 0.9 | 750 | | give
photo album | 1 | 4.5 | 1700 | | give
5 photo albums | 5 | 22 | 8500 | | give
shoe box of photos | 1 | 8 | 4500 | | give
35 mm slides, 200 | 200 | 1.6 | 700 | | give
roll of wrapping paper | 1 | 1.8 | 150 | | give
5 cardboard boxes, flattened | 5 | 18 | 3000 | | recycle
bubble wrap | 1 | 60 | 800 | | recycle
sheet music, 40 sheets | 40 | 1.2 | 600 | | give
40 paperbacks | 40 | 24 | 10000 | | give
books, 120 | 120 | 100 | 50000 | | give
box of books | 1 | 30 | 15000 | | give
3 boxes of books | 3 | 90 | 45000 | | give
shelf of books | 1 | 45 | 22000 | heavy | give
12 cookbooks | 12 | 16 | 12000 | | give
encyclopaedia, 24 volumes | 24 | 70 | 38000 | | give
30 children's books | 30 | 15 | 9000 | | give
100 cds | 100 | 18 | 10000 | | give
25 dvds | 25 | 9 | 2500 | | give
80 lp records | 80 | 36 | 20000 | | give
vhs tapes x30 | 30 | 16 | 7500 | | give
20 pens | 20 | 0.5 | 180 | | give
pencil case | 1 | 1 | 110 | | give
scissors | 1 | 0.3 | 90 | blade | give
craft knife | 1 | 0.12 | 70 | blade | give
stapler | 1 | 0.5 | 220 | | give
hole punch | 1 | 1 | 350 | | give
6 rolls of sticky tape | 6 | 0.6 | 200 | | give
super glue | 1 | 0.1 | 25 | chemical hazardous_waste | hazardous
2 ink cartridges | 2 | 0.8 | 160 | | recycle
calculator | 1 | 0.3 | 150 | battery | give
paper shredder | 1 | 30 | 4500 | electrical blade | give
globe | 1 | 40 | 1500 | | give
teddy bear | 1 | 8 | 220 | | give
20 soft toys | 20 | 140 | 4000 | | give
doll | 1 | 3 | 350 | | give
dolls house | 1 | 140 | 7000 | | give
box of toys | 1 | 45 | 5000 | | give
bag of building bricks, 3 kg | 1 | 8 | 3000 | | give
wooden train set | 1 | 25 | 3500 | | give
15 toy cars | 15 | 2 | 700 | | give
1000 piece jigsaw | 1 | 4 | 750 | | give
8 jigsaws | 8 | 34 | 5600 | | give
5 board games | 5 | 30 | 6000 | | give
pack of cards | 1 | 0.12 | 100 | | give
chess set | 1 | 6 | 1500 | | give
games console | 1 | 9 | 3000 | electrical data_device | give
tricycle | 1 | 160 | 4500 | | give
scooter | 1 | 90 | 4000 | | give
50 balloons | 50 | 0.6 | 130 | | bin
sewing machine | 1 | 28 | 8000 | electrical | give
sewing box | 1 | 8 | 1400 | | give
20 reels of thread | 20 | 0.6 | 400 | | give
12 balls of wool | 12 | 10 | 900 | | give
knitting needles, 10 | 10 | 0.7 | 300 | | give
jar of buttons | 1 | 0.9 | 600 | | give
fabric remnants, 6 | 6 | 14 | 2500 | | give
tape measure | 1 | 0.1 | 50 | | give
etching press, 22 kg | 1 | 80 | 22000 | heavy | give
copper plates, 6 | 6 | 0.4 | 3000 | | recycle
oil paints, 12 tubes | 12 | 1.4 | 1300 | hazardous_waste | give
spray varnish | 1 | 0.8 | 400 | hazardous_waste | hazardous
easel | 1 | 20 | 2500 | | give
sketchbook | 1 | 1.8 | 700 | | give
acoustic guitar | 1 | 60 | 2000 | | give
violin | 1 | 28 | 1900 | | give
digital piano | 1 | 350 | 28000 | electrical heavy | give
upright piano | 1 | 1100 | 220000 | heavy | give
recorder | 1 | 0.7 | 250 | | give
music stand | 1 | 5 | 1400 | | give
guitar amp | 1 | 45 | 12000 | electrical | give
football | 1 | 9 | 430 | | give
20 tennis balls | 20 | 5.5 | 1150 | | give
2 tennis rackets | 2 | 12 | 650 | | give
pair of dumbbells 5 kg | 1 | 5 | 10000 | | give
exercise bike | 1 | 700 | 30000 | heavy | give
treadmill | 1 | 1300 | 65000 | heavy electrical | give
bicycle | 1 | 900 | 14500 | | give
bike helmet | 1 | 10 | 350 | | give
pair of skis | 1 | 28 | 5500 | | give
ski boots | 1 | 36 | 4200 | | give
ice skates | 1 | 16 | 1900 | blade | give
skateboard | 1 | 18 | 2600 | | give
fishing rod | 1 | 5 | 350 | | give
air rifle | 1 | 18 | 3200 | licensed | licensed
box of shotgun cartridges | 1 | 0.5 | 1000 | licensed | licensed
two-person tent | 1 | 22 | 3500 | | give
camping chair | 1 | 28 | 3000 | | give
gas cartridge | 1 | 1.6 | 600 | gas hazardous_waste | hazardous
2 gas cylinders | 2 | 4 | 1300 | gas hazardous_waste | hazardous
penknife | 1 | 0.1 | 120 | blade | give
binoculars | 1 | 2 | 750 | | give
10 m rope | 1 | 4 | 1000 | | give
life jacket | 1 | 15 | 800 | | give
spade | 1 | 20 | 2000 | | give
secateurs | 1 | 0.35 | 230 | blade | give
hedge shears | 1 | 7 | 1100 | blade | give
lawn mower | 1 | 200 | 16000 | electrical blade heavy | give
lawnmower (petrol) | 1 | 300 | 30000 | blade hazardous_waste heavy | give
chainsaw | 1 | 40 | 5500 | blade electrical hazardous_waste | give
garden hose 20 m | 1 | 25 | 3500 | | give
watering can | 1 | 30 | 700 | | give
wheelbarrow | 1 | 450 | 12000 | | give
8 flower pots | 8 | 22 | 6500 | | give
20 plastic plant pots | 20 | 9 | 800 | | give
compost 50 l | 1 | 50 | 17000 | heavy | give
half a bag of compost | 1 | 25 | 8500 | | give
packets of seeds, 15 | 15 | 0.7 | 180 | | give
slug pellets | 1 | 1 | 700 | chemical | hazardous
weedkiller 1 l | 1 | 1.2 | 1050 | chemical hazardous_waste | hazardous
rat poison | 1 | 1.2 | 500 | chemical hazardous_waste | hazardous
charcoal, 3 kg | 1 | 18 | 3000 | | give
folding garden chair | 1 | 36 | 4000 | | give
parasol | 1 | 55 | 5500 | | give
hammer | 1 | 0.9 | 650 | | give
3x hammer | 3 | 3 | 1950 | | give
screwdrivers, 8 | 8 | 1.8 | 900 | | give
hand saw | 1 | 2.5 | 500 | blade | give
chisels, 5 | 5 | 1.3 | 1100 | blade | give
cordless drill | 1 | 6 | 1800 | electrical battery | give
circular saw | 1 | 25 | 4500 | electrical blade | give
tool box, full | 1 | 28 | 8000 | | give
box of screws | 1 | 0.6 | 800 | | give
500 screws | 500 | 1.2 | 1500 | | give
stepladder | 1 | 90 | 7000 | | give
plank 2.4 m x 15 cm x 2 cm | 1 | 7.2 | 4000 | | give
8 tins of paint | 8 | 40 | 28000 | hazardous_waste | give
5 l paint | 1 | 6.5 | 7000 | hazardous_waste | give
almost full tin of paint | 1 | 5.5 | 3500 | hazardous_waste | give
varnish | 1 | 1.4 | 950 | hazardous_waste | give
turpentine | 1 | 1.4 | 950 | chemical hazardous_waste | give
white spirit 2 l | 1 | 2.4 | 1700 | chemical hazardous_waste | give
wood glue | 1 | 0.7 | 550 | | bin
silicone sealant | 1 | 0.6 | 400 | hazardous_waste | hazardous
spray paint, 4 cans | 4 | 3.3 | 1600 | hazardous_waste | give
paintbrushes, 10 | 10 | 3 | 1000 | | bin
sandpaper, 12 sheets | 12 | 0.1 | 300 | | bin
bag of cement 25 kg | 1 | 22 | 25000 | chemical heavy | give
asbestos sheet | 1 | 5 | 9000 | licensed | licensed
old lead paint | 1 | 2 | 500 | licensed | licensed
a scalpel | 1 | 0.02 | 20 | blade | give
40 batteries | 40 | 0.4 | 900 | battery | batteries
button cells, 12 | 12 | 0.03 | 36 | battery | batteries
power bank | 1 | 0.25 | 320 | battery electrical | give
smoke alarm | 1 | 0.6 | 180 | battery electrical | electricals
fire extinguisher 6 kg | 1 | 10 | 9000 | gas hazardous_waste | hazardous
extension lead | 1 | 1.6 | 600 | electrical | give
car battery | 1 | 8.5 | 15000 | battery chemical hazardous_waste | hazardous
4 car tyres | 4 | 290 | 38000 | | give
engine oil 5 litres | 1 | 6 | 4600 | hazardous_waste | hazardous
petrol can | 1 | 13 | 3000 | hazardous_waste | hazardous
antifreeze | 1 | 2.6 | 2500 | chemical hazardous_waste | hazardous
jump leads | 1 | 7 | 2000 | | give
roof box | 1 | 550 | 16000 | heavy | give
child car seat | 1 | 145 | 7000 | | give
2 litres of bleach | 1 | 2.4 | 2150 | chemical | give
9 bottles of cleaner | 9 | 13 | 8000 | chemical | give
drain cleaner | 1 | 1.4 | 1050 | chemical | give
dishwasher tablets | 1 | 2.5 | 800 | chemical | give
washing powder | 1 | 5 | 2600 | chemical | give
washing up liquid | 1 | 0.8 | 550 | chemical | give
furniture polish | 1 | 0.9 | 400 | chemical hazardous_waste | give
12 sponges | 12 | 2.2 | 150 | | bin
20 dusters | 20 | 6 | 900 | | bin
broom | 1 | 20 | 800 | | bin
bucket | 1 | 18 | 500 | | bin
vacuum cleaner | 1 | 45 | 6500 | electrical | give
ironing board | 1 | 42 | 6000 | | give
steam iron | 1 | 5 | 1300 | electrical | give
wet wipes | 1 | 1 | 400 | | bin
laptop | 1 | 2 | 1900 | battery electrical data_device | give
old mobile phones x 4 | 4 | 0.5 | 700 | battery electrical data_device | give
computer | 1 | 38 | 8500 | electrical data_device | give
external hard drive | 1 | 0.25 | 230 | electrical data_device | give
usb stick | 1 | 0.012 | 10 | data_device electrical | give
inkjet printer | 1 | 28 | 6000 | electrical | give
wifi router | 1 | 1.5 | 400 | electrical data_device | give
box of old chargers | 1 | 14 | 4000 | electrical | give
12 cables | 12 | 3 | 900 | electrical | give
65 inch tv | 1 | 330 | 24000 | electrical heavy | give
bluetooth speaker | 1 | 1.3 | 600 | battery electrical | give
radio | 1 | 4 | 1200 | electrical | give
record player | 1 | 22 | 5500 | electrical | give
digital camera | 1 | 0.9 | 400 | battery electrical data_device | give
remote controls, 5 | 5 | 1 | 500 | battery electrical | electricals
washing machine 7 kg | 1 | 300 | 68000 | electrical heavy | give
fridge | 1 | 420 | 45000 | electrical hazardous_waste heavy | give
table lamp | 1 | 24 | 1700 | electrical | give
6 light bulbs | 6 | 2 | 210 | | bin
6 fluorescent tubes | 6 | 8 | 1300 | hazardous_waste glass | hazardous
2 energy saving bulbs | 2 | 1 | 160 | hazardous_waste | hazardous
fan heater | 1 | 16 | 2000 | electrical | give
torch | 1 | 0.5 | 220 | battery electrical | give
armchair | 1 | 600 | 27000 | heavy | give
4 dining chairs | 4 | 850 | 22000 | | give
sofa | 1 | 1300 | 52000 | heavy | give
coffee table | 1 | 280 | 17000 | heavy | give
bookcase | 1 | 450 | 32000 | heavy | give
chest of drawers | 1 | 350 | 38000 | heavy | give
wardrobe | 1 | 1250 | 70000 | heavy | give
single bed | 1 | 900 | 35000 | heavy | give
cot | 1 | 600 | 22000 | heavy | give
mattress 140 x 200 | 1 | 520 | 24000 | heavy | bin
bedside table | 1 | 120 | 11000 | | give
storage box | 1 | 25 | 1200 | | give
wicker basket | 1 | 20 | 900 | | give
vase | 1 | 5 | 1000 | | give
broken mirror | 1 | 12 | 7000 | glass | bin
picture frame 60 x 80 cm | 1 | 13 | 3000 | | give
6 picture frames | 6 | 9 | 3300 | | give
oil painting | 1 | 11 | 2500 | | give
wall clock | 1 | 4 | 900 | battery | give
12 candles | 12 | 7 | 4500 | | give
30 tea lights | 30 | 0.7 | 450 | | give
ornaments, 10 | 10 | 18 | 4000 | | give
houseplant | 1 | 25 | 2500 | | give
2 boxes of decorations | 2 | 70 | 7000 | | give
artificial christmas tree | 1 | 100 | 9000 | | give
40 baubles | 40 | 15 | 1200 | | give
christmas lights | 1 | 3.5 | 450 | electrical | give
fireworks | 1 | 4 | 700 | hazardous_waste licensed | licensed
lighter | 1 | 0.07 | 35 | gas hazardous_waste | hazardous
dog bed | 1 | 75 | 1800 | | give
bag of dog food 15 kg | 1 | 32 | 15000 | | give
dog lead | 1 | 0.5 | 170 | | give
cat litter 10 l | 1 | 10 | 6500 | | give
cat carrier | 1 | 50 | 1900 | | give
fish tank | 1 | 125 | 18000 | glass heavy | give
pram | 1 | 600 | 12000 | | give
high chair | 1 | 420 | 7500 | | give
pack of nappies | 1 | 8 | 1500 | | give
baby bottles, 6 | 6 | 5 | 600 | | bin
baby clothes 0-6 months, bag | 1 | 12 | 2000 | | give
travel cot | 1 | 46 | 10000 | | give
50 l box, empty | 1 | 50 | 2000 | | give
crate 60 x 40 x 32 cm | 1 | 76.8 | 3000 | | give
box 40 x 30 x 20 | 1 | 24 | 800 | | recycle
drawer of socks | 1 | 22 | 2600 | | textile
pile of towels | 1 | 25 | 3800 | | textile
basket of laundry | 1 | 40 | 5000 | | textile
mouse droppings in the box | 1 | 4 | 500 | mould_pest | bin
syringe | 1 | 0.1 | 30 | sharps | pharmacy
12 dishwasher tablets | 12 | 0.7 | 220 | chemical | give
40 washing tablets | 40 | 4 | 1100 | chemical | give
80 tea bags | 80 | 1.6 | 260 | | give
3 boxes of 80 tea bags | 240 | 5 | 800 | | give
200 cotton buds | 200 | 0.6 | 75 | | bin
60 paracetamol tablets | 60 | 0.35 | 70 | medicine | pharmacy
90 vitamin tablets | 90 | 0.5 | 150 | medicine | pharmacy
50 nappies | 50 | 10 | 1900 | | give
20 bin bags | 20 | 0.8 | 450 | | give
100 cable ties | 100 | 0.4 | 130 | | give
30 coffee capsules | 30 | 1.2 | 250 | | give
24 firelighters | 24 | 0.8 | 300 | hazardous_waste | hazardous
20 sachets of sugar | 20 | 0.5 | 120 | | give
6 pint glasses | 6 | 5.5 | 2400 | | give
2 foot rests | 2 | 34 | 3800 | | give
3 bar stools | 3 | 330 | 16000 | | give
3d printer | 1 | 60 | 9000 | electrical | give
clip-on lamp | 1 | 8 | 900 | electrical | electricals
built-in oven | 1 | 200 | 33000 | electrical heavy | give
1400 sheets of music | 1400 | 35 | 15000 | | give
patchwork quilt | 1 | 28 | 2200 | | textile
`);
