import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import * as z from 'zod';
import { TERMS } from '../core/tank/balance';
import { DOUBTS } from '../core/tank/doubt';
import { calculations } from '../core/assessment/calculations';
import { catalogueData } from '../catalogue';
import { FAILING, THRIVING } from '../core/testing/ordinary-tanks';
import { judgedSummary } from '../app/store/judge-card';
import demo from '../catalogue/demo/low-barn.json';
import { DEMO_LOG_ENDS, demoLog } from '../core/testing/demo-logs';
import { assess } from '../core/assessment/assess';
import { CatalogueData, indexCatalogue } from '../core/catalogue/catalogue';
import { Design } from '../core/design/design';
import { withOwn } from '../core/design/own-catalogue';
import { Room } from '../core/design/room';
import { METRIC } from '../core/quantity/format';
import { coverageOf } from '../core/catalogue/coverage';
import { Realm, REGIONS } from '../core/catalogue/region';
import { DesignFile } from '../core/design/document';
import { inputMeta } from '../core/calculation/input-words';
import { PatchSchema } from '../core/design/edit';

/** Writes what the documents say from what the code says: docs/method.md and the JSON Schemas. With --check it only compares. */
const root = fileURLToPath(new URL('../', import.meta.url));

export function methodDocument(): string {
  const parts = calculations.all.map((calc) => {
    const fields = (schema: z.ZodType) =>
      Object.keys(schema instanceof z.ZodObject ? schema.shape : {})
        .map((name) => `${inputMeta(name).label} \`${name}\``)
        .join(', ');
    return [
      `## ${calc.title}`,
      '',
      `\`${calc.id}\`: ${fields(calc.inputs)} → ${fields(calc.outputs)}`,
      '',
      `> ${calc.formula}`,
      '',
      `- Valid for: ${calc.validity}.`,
      `- Uncertainty: ${calc.uncertainty}.`,
      ...calc.source.map(({ citation, basis }) => `- Source (${basis}): ${citation}.`),
      '',
    ].join('\n');
  });
  const terms = TERMS.map(({ title, formula, uncertainty, source }) =>
    [
      `- **${title}.** ${formula}. Uncertainty: ${uncertainty}.`,
      ...source.map(({ citation, basis }) => `  Source (${basis}): ${citation}.`),
    ].join('\n'),
  );
  const doubts = DOUBTS.map(
    ({ title, factor, shift, basis }) => `- ${title}: ${factor === undefined ? `±${shift}` : `×/÷ ${factor}`} (${basis})`,
  );
  return `# Method

Every number Terroir shows can be opened. This page is written by \`npm run docs\` from the registry of calculations; try one with
\`npm run -s calc -- describe <id>\`.

A basis is \`published\` (the source is named and we are sure of it), \`practice\` (common practice, no source), \`recalled\` (from memory,
unverified), \`invented\` (demo only) or \`measured\` (the user's own). Outside a source's validity there is a gap, never a number.

## How a tank is judged

1. **Window.** For each parameter everyone in the tank has a comfortable span and a wider one it survives, for the phase it is meant to
   be in. The window is where all comfortable spans overlap; who sets each edge is kept. Where surviving spans do not meet, the two
   furthest apart cannot be kept together.
2. **Plan.** Behind the readings of each source stand its ions: what a report names is kept, the rest is filled in by assumptions that are
   shown, and readings that cannot all be true are questioned. Sources mix by volume and salts are weighed in; mass is kept, and
   conductivity follows from the ions, set right by the readings. What the tank
   makes of it is a mass balance of one state, weighed where it comes to rest under the planned care: see below. pH is never mixed: it is
   computed from the settled alkalinity, inorganic carbon and humic acids. While no vessel is chosen, or nobody lives in it, the CO₂ of a
   lightly stocked tank is taken (1200 µatm, band 4000 to 420 µatm, common practice); salt water has constants of its own.
   The tank's year is a heat balance: unheated water settles where it gives off what its gear puts in, a little below the room when it is open; a heater
   or cooler holds its set-point as far as its power goes, a fan blows over what is open once the water is warmer than its own. Without a vessel the water is taken to follow the room.
3. **Verdict.** Outside what it survives, with all of the doubt: conflict. Kept, it may live anywhere it survives, with a word in the outer quarter;
   to breed it wants its comfort. Inside: fits. What is not stated or not known: unknown, never fine. An edge is as sharp as its basis: each parameter
   has a width within which nothing is said (half a degree, 0.2 pH, a dGH and more), and floors and volumes are round figures, 15 and 10 % less of
   which is the same size; below 60 % of the need is a conflict. A reading of the tank that runs stands in place of what is worked out, as long as what is
   poured, weighed and laid in it is as it was that day; both are shown, with where they part. The look ahead begins at it.
   What one cause does to many is one entry of the ledger and opens to its parts. Entries stand by severity and then by what they mean: death,
   likely loss, stress that wears, a matter of taste. Whole tanks, ${THRIVING.length} that thrive in practice and ${FAILING.length} that fail for one plain
   reason, hold the rules to it (\`core/testing/ordinary-tanks.ts\`): nothing may be cried in the first, the plain reason comes first in the second.
4. **Company.** A grown animal no deeper than a hunter's mouth is wide is swallowed; within a fifth of that the smaller ones are. What has claws
   takes prey larger than its mouth, some bite whole ones to pieces, some crack shells. Young of those that are to breed, and of colonies, are held
   against every mouth. Fish that hunt at night take sleepers that they would miss by day. What sucks in its food takes grain with it, what sifts wants it fine, what picks from the water is not asked. Nippers against long fins, territories against the floor, the shy against the
   bold, lines that cross, crowded strata, and every opening against the thinnest body: common practice, written down as cases in
   \`core/testing/stocking-cases.ts\` and \`company-cases.ts\` before the rules were. Animals are judged grown, and as small as they are put in where that is
   stated: what is eaten grown is never cleared by a small hunter. **Who else** puts every animal of the catalogue in as it is kept and judges it with
   all the rest; **how many** is the count from which the judgement itself begins to speak, by what runs out; a length to the litre is shown and not used.
   **Who sees whom**: straight lines between hides against the bodies of pieces, exact, and the bed; stands of plants let through e^(−2 n r d) along the
   chord of the line. Mouths that face each other count only where more than half of the looks get through. **What a verdict hangs on**: sizes, numbers,
   sexes and floor are varied one at a time and the tank judged each time as a whole; what turns it is named, and what does not. **In which order**: two
   oxidisers with Monod growth (\`startup.cycle\`) start as large as a passed challenge dose shows, and take the company as it comes; the worst case has a third of the
   bacteria and plants that do nothing. **Food**: a diet's words, the width of a mouth today, where food floats or falls and when it is given, say who eats what; nobody is
   said to go hungry while no menu is written. **Health**: what is seen goes with every carrier it can ride on, lot by lot and place by place, until it is declared over; straight from
   where it was seen it weighs as what it is, by more hands it is to be watched. Treatments are classes, with what they kill, bind and must never meet; a dose is only
   ever the label's, for the net litres. **The log**: a reading is a range by its kit, wider past its date or calibration; a counted drop lies in the step below it. One way is told where ranks are not chance (Mann–Kendall, one in two hundred), further than the kit may be off, and further than the balance goes
   when it is followed with the changes as they were done; at once by Pettitt’s step where it is sharp and says more than a line. Feed and what plants take are fitted to nitrate and alkalinity by Gauss–Newton from where they fit best, drawn towards the plan, with a heavy tail. Nothing that a stand-in made up is judged by.
   **Start-up**: nitrogen, alkalinity and pH, soil, plants and changes, in fresh and salt water, fed or dosed, with live rock or without, as a thousand tanks drawn over literature ranges; a test weighs each by
   how far the kit may be off, with a heavy tail, and never down to fewer than thirty. Animals that are to go in before the middle one of them has grown in are told; what
   tests show goes before what is reckoned, and nothing is ever called ready by reckoning: what is shown is tests, readings and what was looked at, by kind. What could be done is
   followed in the very tanks that the tests speak for, each the other way. **Building**: steps follow from the design, each with what it rests on, so that an order may be changed where
   nothing rests on it; amounts are the drawing's, less what is at hand, in the packs a thing is sold in (common practice), with a twentieth over for sand and soil, a sixth for stone, one
   plant in ten.
5. **Place.** A tank that is meant to be a wild place is held to it: what lives there (recorded; native to its basin, its part of the world, or foreign),
   its water and its year month by month, what lies on its bottom. Strict takes the place's own figures; loose allows its basin and a margin (2 °C, 0.7 pH,
   4 dGH, 3 dKH, 150 µS/cm, 2 ppt: common practice). Never more than worth watching: it may live well and yet not be from there.
   An animal that is not identified is judged by what suits all it may be: shared ranges, the largest size, the worst temper.
6. **Remedies.** Each is a small patch that is tried out on a copy; only what lowers the severity or the excess is offered, with every
   conflict it would open elsewhere, and nothing that leaves a conflict one. A blend keeps the salts that were weighed in where it can, and pours
   no alkaline water over active soil. The blend is searched over all pairs of sources in steps of 5 %: fewest conflicts, then fewest
   watches, then least excess, then least RO. The recipe is a linear program for every choice of up to three of the salts on hand: inside
   everyone's comfort, then least RO (or pure water and minerals alone, at the middle of the comfort, for those who build up so), then fewest salts; a conductivity quoted that no water of the wanted hardness can have is not aimed at.
   Over an active soil it aims so that what is left once the soil has taken its share is what they like. One's own mineral mix is a salt like others.
   It is rounded to the scale and the litre marks and mixed anew on paper before it is shown. What no remedy reaches is said. A strong acid is never one.

## The built place

The floor is cut into some six thousand squares. Each layer of the bed fills from what is under it up to its own top; litres are the sum over the
squares, divided by the share of the true floor that they make up. Pieces are solids whose volumes are closed forms; a line through them is met
exactly. They are let down in order onto bed, bottom or each other, and their upright columns give what they take up of water and bed: the
columns of a piece are scaled to its closed form. A place that two pieces fill counts once. The water is the space under the surface less
the pieces and the grains of the bed; pores hold water and count.

A bank is held against the lower edge of its repose, from seven tenths of it with a word. A piece goes over at the tilt whose tangent is the least
reach of its foot beyond its centre, by the height of that centre. Mouths are looked out of along straight lines against the bodies themselves, never
on a grid; a hide serves when its opening is 1.2 times the body and more, up to 2.5 depths, and its inside nine tenths of the length: common practice.

## The tank that runs

**Care.** What a tank asks for follows from its stock, feed, plants, soil, gear and water; intervals are common practice where the keeper has not said, and
what the log says was done moves each on. A change that is left out is told by the balance: nitrate before the next one, with it and without.

**Diagnosis** is no tree. Each cause has a weight before anything is seen, and each sign and each fact of plan, log and balance shifts it by a log
likelihood ratio, common practice; what is likeliest stands first with what speaks for and against it, and what would tell it from the next. First aid is only what harms nothing
if it is wrong; what wants a vet says so. Cases (\`core/testing/diagnosis-cases.ts\`) are written by hand.

**Probes.** A figure is set right by what its probe was held in: one point shifts it, of EC turns it about nothing, two buffers turn it too; a slope below 85 %
or above 105 % is told (common practice). Of each interval one entry is written, the median of what was measured in it, at the last of its turns. A turn
that is missing breaks the line; a silence of more than twelve turns stands in the log as a note, and has no entry. Out of its limits for long enough, three turns at least,
is an alarm, and so is silence. The stand-in follows the tank hour by hour by the balance, and all of it is marked SIMULATED: nothing is judged by it.

## Breeding

**Readiness.** The tank is judged anew with the kind in spawning condition, whatever it is planned for; each need is told by the findings that speak of it. Of a
group that nobody has sexed the chance of both sexes counts. A need that no finding speaks of is _not known_, but for those that a tank only speaks of when
something is against them: room, light, company.

**The days of a brood.** To hatching and between broods as the catalogue has them; from the yolk to the first food, and when young are sold and sexed by
length, common practice, as ranges. Those that are born alive are sexed early, as they mate early.
What was seen is a day, and all that comes after is reckoned from it; eggs in other water than the kind breeds in take twice as long for each ten degrees less.
What the hand does between the stages hangs on the way to breed (\`core/breeding/handling.ts\`): days and amounts are common practice, from memory. A mesh is
wider than an egg (0.7 to 1.5 mm) by a third and narrower than six tenths of an adult. A female that bears young keeps what one mating gave her for about eight
months.

**Lines.** Kinship by the table method; a group that spawns together is one parent, of the effective size 4·Nm·Nf/(Nm + Nf), and by itself follows Wright's
course; of several possible fathers the mean is taken. A pairing's cost is the inbreeding of its young; from 12.5 % on it is called costly, from 25 % heavy (common
practice). How long a line can stay closed starts from the mean kinship of those that are there. A line with a locality takes in none of another, and no look-alike.

**A colony** grows by the largest root of Euler and Lotka's equation, the dominant eigenvalue of its stage matrix. Near what the tank carries broods shrink by
Ricker's form, set so that a full tank replaces itself; young count by the square of their length. What lives through a week is a guess, and the band is a
tenth of the young either way.

**Counts**: two nettings by Seber and Le Cren, pictures by Student's t, marks by Chapman with an interval on the logarithm of those not seen, sexes by
Wilson; each was acted out some hundred times and holds the truth at least nine times in ten. Crosses by Mendel's rules with linkage,
sex linkage and lethal forms; what came is held against it by chi-square. First foods are read out of the catalogue's words; a culture is set up the longest that its
kind takes before the first day that it may be wanted.

## Gear, current and the day

What comes through a filter or pump is its label, less mesh, lift and hose, half way between clean and clogged. Its media carry what their surface turns over
while ammonia stands where a drop test just does not see it; media out of a running tank carry it at once, and a tank gives a third of its own at most, and
none that its load needs. An intake is held against the narrowest way across every grown animal and across the young that come by themselves.

The current is a picture, good to a factor of two: round turbulent jets widen and slow down by the published law, spread over the pane that they meet, end at
stones and lose to leaves; what they put in is stirred down in the whole of the water, by the cube root of the power in a kilogram times half of the smallest
inside. The judgement takes some seven hundred cells, the drawing twelve thousand. Only where every nozzle was given its place are animals, bed and gas
exchange judged by it; else by how often the water goes round.

A day is the same balance as everything else, quarter by quarter of an hour, after days alike, with the room of a month around it; its bands are all doubts
towards acid, and all away from it. Meals set off breath and ammonia that fade by four hours. The dawn that is judged is the closed form of the same on the
warmest nights. A power cut stops every pump at once: oxygen falls by breath against a still surface, warmth by the heat that the tank gives to its room.

## The balance of a tank

One state of nineteen amounts (water, heat, six ions, alkalinity, inorganic carbon, ammonia, nitrite, nitrate, phosphate, organic carbon,
oxygen, what soil and phosphate remover can still take, nitrogen grown in) and one sum of processes. Charge is kept: alkalinity moves with
the ions of every process. Everything that looks ahead is a solver over it.

- **Where it settles**: changes and doses spread over the days, day and night as one, soil as strong as it is today; linearly implicit
  Euler with growing steps till it is at rest (a year, where nothing is changed). The value stands just before a change. Its band is the corner of all doubts one deviation towards acid, and
  away from it.
- **Forecast**: Dormand and Prince's fifth order with step control, lamps on and off, changes, doses and top-ups by hand as events; twelve
  weeks, first as taken, then 200 cases drawn from the doubts below; the band holds nine of ten. Oxygen is read at dawn, just before the lamps
  go on.
- **The bag** of new animals is followed by the same balance, closed and afloat, then open with tank water dripping in.
- Checks: nitrogen, salt and charge to a millionth; the odex library within 10⁻⁴; closed forms of changes, nitrate, evaporation, oxygen and lime; 2.3 dKH for
  50 mg/L of nitrate made of feed (common practice).

${terms.join('\n')}

What is not known well, nine times in ten:

${doubts.join('\n')}

A forecast never clears animals: readiness needs measured zeros after a challenge dose. Not in it: the growth of a new filter, ammonia of fresh soil,
denitrification, lime that settles out, how fast water gets through a bed.

${parts.join('\n')}`;
}

const BASES = ['published', 'practice', 'recalled', 'invented', 'measured'] as const;

/** What the catalogue covers, counted from the data. */
export function catalogueDocument(): string {
  const coverage = coverageOf(catalogueData);
  const lines = coverage.map(({ group, entries, facts, unknown, basis, gaps }) => {
    const cells = [group, entries, facts, ...BASES.slice(0, 3).map((one) => basis[one] ?? 0), unknown];
    return `| ${cells.join(' | ')} | ${gaps.map(([path, count]) => `${path} (${count})`).join(', ') || 'none'} |`;
  });
  const total = (of: (one: (typeof coverage)[number]) => number) => coverage.reduce((sum, one) => sum + of(one), 0);
  const { organisms, biotopes } = catalogueData;
  const strains = organisms.filter(({ strainOf }) => strainOf).length;
  const differing = organisms.filter((entry) => JSON.stringify(entry).includes('Two entries')).length;
  const oneHand = organisms.filter((entry) => JSON.stringify(entry).includes('From one recollection.')).length;
  const realms = Realm.options.map((realm) => {
    const here = biotopes.filter(({ region }) => REGIONS[region].realm === realm);
    return `| ${realm} | ${here.length} | ${here.map(({ name }) => name).join('; ')} |`;
  });
  return `# What the catalogue covers

Written by \`npm run docs\` from the data in \`catalogue/\`, edition ${catalogueData.edition}. ${organisms.length} organisms (${strains} of them bred
lines), ${biotopes.length} places, ${catalogueData.materials.length} materials, ${catalogueData.waters.length} waters, ${catalogueData.media.length} filter media, ${catalogueData.pieces.length} classes of hardscape; ${total(({ facts }) => facts)} facts, ${total(({ unknown }) => unknown)} of them unknown.

## How it was entered

Ranges, habits and needs are common practice among breeders; sizes other than length, growth, broods, native waters and everything of the places
are from memory and unverified (\`recalled\`). Nothing is \`published\` but where a source is named. Comfort for temperature, pH and GH and the adult
length of most animals were entered a second time without the first entry in view, and compared by program: where comfort differed by more
than 1.5 °C, 0.4 pH or 4 dGH, or length by a fifth, the wider span or the larger size stands, marked \`recalled\` with a note (${differing} entries). Both
entries are from memory, by one hand: that they agree guards against slips, not against shared errors.

A second set of figures was then written from memory by another hand that had not seen this one, and compared by program. Share of values that agreed
within what the field takes for the same, before anything was changed: temperature 90 % (comfort) and 93 % (edges), pH 96 and 97 %, GH 99 and
100 %, KH 98 and 100 %, adult length 97 %, body depth 97 %, mouth 96 %, smallest group 93 %, litres 89 %, oxygen 92 %, jumping 85 %, climbing
96 %, digging 96 %, uprooting 95 %, eating plants 100 %, snails 98 %, grown shrimp 89 %, fins 88 %, current and level in the water 100 %,
temper 92 %, brood 97 %, days to hatch 96 %; of plants height 99 %, growth 82 %, rooting 99 %, need of carbon dioxide 81 %. Where both can be true
the edge was widened (276 edges), where they cannot the mean stands, with a note (169 edges, 105 comforts). Both sets are \`recalled\`.
${oneHand} kinds rest on one recollection alone and say so; what that did not give is taken from a relative, and marked as its family's.
The rain of the places is that of a station nearby, month by month, as recalled; their water runs smoothly between its coldest and warmest month. Whoever measures better puts it down as their own (\`measured\`), in the room.

## By group

| group | entries | facts | published | practice | recalled | unknown | most often unknown |
| --- | --- | --- | --- | --- | --- | --- | --- |
${lines.join('\n')}

## Places by part of the world

| realm | places | |
| --- | --- | --- |
${realms.join('\n')}

## Gaps we know of

- Conductivity is recorded only where the field quotes it: shrimp, blackwater fish, the great lakes; elsewhere it is unknown, and shows so.
- Spawning ranges of their own are recorded for few kinds; the others are judged to breed in what they are kept in.
- Larvae have ranges of their own only where they need salt. Sexes by age, strains by grade, and lifespan are not recorded.
- Plants have no conductivity and no daily steps. Light is three classes, not PAR.
- No parrot cichlids, koi, turtles, stony corals, anemones or worms: not what this is for yet. Live foods are not kept animals here.
- Colours and outlines of kinds out of one recollection are their family's where the name says nothing.
`;
}

/** Which file of the catalogue holds which organism or place, so that an app fetches only what it needs. */
function contentsText(): string {
  const files = ['animals', 'plants', 'places'].flatMap((shelf) =>
    readdirSync(`${root}catalogue/${shelf}`)
      .sort()
      .map((name) => `${shelf}/${name.replace('.json', '')}`),
  );
  const idsOf = (file: string) =>
    (JSON.parse(readFileSync(`${root}catalogue/${file}.json`, 'utf8')) as { id: string }[]).map(({ id }) => id);
  return `${JSON.stringify(Object.fromEntries(files.map((file) => [file, idsOf(file)])), null, 1)}\n`;
}

/** The demo's cards as they are judged, so that a first visit shows them at once; in other units they are judged anew. */
function judgedDemo(): string {
  const catalogue = indexCatalogue(catalogueData);
  const cards = demo.designs.map((raw) => {
    const design = Design.parse(raw);
    const room = Room.parse(demo.room);
    return [design.id, judgedSummary(assess({ design, room, catalogue: withOwn(catalogue, room.own) }), METRIC)];
  });
  return `${JSON.stringify(Object.fromEntries(cards), null, 1)}\n`;
}

/** What was written down in each tank of the demo, as tables. */
function demoLogs(): string {
  const catalogue = indexCatalogue(catalogueData);
  const room = Room.parse(demo.room);
  const logs = demo.designs.map((raw) => {
    const design = Design.parse(raw);
    return [design.id, demoLog(assess({ design, room, catalogue: withOwn(catalogue, room.own) }))];
  });
  return `${JSON.stringify({ ends: DEMO_LOG_ENDS, logs: Object.fromEntries(logs) })}\n`;
}

function schemaText(schema: z.ZodType, title: string): string {
  return `${JSON.stringify({ title, ...z.toJSONSchema(schema, { unrepresentable: 'any' }) }, null, 2)}\n`;
}

export function documents(): Record<string, string> {
  return {
    'catalogue/contents.json': contentsText(),
    'catalogue/demo/judged.json': judgedDemo(),
    'catalogue/demo/logs.json': demoLogs(),
    'docs/method.md': methodDocument(),
    'docs/catalogue.md': catalogueDocument(),
    'docs/schema/design-file.schema.json': schemaText(DesignFile, 'Terroir design file, version 1'),
    'docs/schema/patch.schema.json': schemaText(PatchSchema, 'Terroir edit: a JSON Patch (RFC 6902)'),
    'docs/schema/catalogue.schema.json': schemaText(CatalogueData, 'Terroir catalogue'),
  };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  mkdirSync(`${root}docs/schema`, { recursive: true });
  const stale = Object.entries(documents()).filter(([path, text]) => {
    if (process.argv.includes('--check')) return readFileSync(root + path, 'utf8') !== text;
    writeFileSync(root + path, text);
    return false;
  });
  for (const [path] of stale) console.error(`${path} is stale: run npm run docs`);
  process.exitCode = stale.length > 0 ? 1 : 0;
}
