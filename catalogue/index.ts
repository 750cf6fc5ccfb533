import type { CatalogueData } from '../core/catalogue/catalogue';
import amphibians from './animals/amphibians.json';
import catfishAndLoaches from './animals/catfish-and-loaches.json';
import cichlids from './animals/cichlids.json';
import crayfishAndCrabs from './animals/crayfish-and-crabs.json';
import gobiesAndSmallOddities from './animals/gobies-and-small-oddities.json';
import killifishAndRicefish from './animals/killifish-and-ricefish.json';
import labyrinthFish from './animals/labyrinth-fish.json';
import lagoonInvertebrates from './animals/lagoon-invertebrates.json';
import livebearers from './animals/livebearers.json';
import marineFish from './animals/marine-fish.json';
import rainbowfish from './animals/rainbowfish.json';
import rasborasDaniosBarbs from './animals/rasboras-danios-barbs.json';
import shrimp from './animals/shrimp.json';
import snailsAndMussels from './animals/snails-and-mussels.json';
import tetrasAndPencilfish from './animals/tetras-and-pencilfish.json';
import materials from './materials.json';
import media from './media.json';
import pieces from './pieces.json';
import floating from './plants/floating.json';
import mosses from './plants/mosses.json';
import rooted from './plants/rooted.json';
import shoreAndSea from './plants/shore-and-sea.json';
import stems from './plants/stems.json';
import africa from './places/africa.json';
import australasia from './places/australasia.json';
import eastAsia from './places/east-asia.json';
import eurasia from './places/eurasia.json';
import northAmerica from './places/north-america.json';
import sea from './places/sea.json';
import southAmerica from './places/south-america.json';
import southAsia from './places/south-asia.json';
import southEastAsia from './places/south-east-asia.json';
import { EDITION } from './edition';
import waters from './waters.json';

/** The shipped catalogue. Its shape is checked by the tests, so that the app need not parse it at every start. */
export const catalogueData = {
  edition: EDITION,
  organisms: [
    ...tetrasAndPencilfish,
    ...rasborasDaniosBarbs,
    ...livebearers,
    ...killifishAndRicefish,
    ...labyrinthFish,
    ...cichlids,
    ...rainbowfish,
    ...catfishAndLoaches,
    ...gobiesAndSmallOddities,
    ...marineFish,
    ...shrimp,
    ...crayfishAndCrabs,
    ...snailsAndMussels,
    ...lagoonInvertebrates,
    ...amphibians,
    ...stems,
    ...rooted,
    ...mosses,
    ...floating,
    ...shoreAndSea,
  ],
  waters,
  materials,
  media,
  pieces,
  biotopes: [...africa, ...australasia, ...eastAsia, ...eurasia, ...northAmerica, ...sea, ...southAmerica, ...southAsia, ...southEastAsia],
} as unknown as CatalogueData;
