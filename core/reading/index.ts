export { amountsIn } from "./amountsIn";
export { readStory, caseOfStory, MOST_READ } from "./read";
export { offersOf, type Offer, type OfferPlace, type Offers } from "./offers";
