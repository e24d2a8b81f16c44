import { titleOfStory, withOffers, type Offered } from "../story";
import { isUntitled } from "./begin";
import { way } from "./way";

export const offerEdits = {
  /** What the story offers, taken; a case that nobody named takes its title from the story too. */
  takeOffers: way<{ offers: readonly Offered[] }>({
    says: ({ offers }) =>
      offers.length === 1 ? "take what the story offers" : `take ${offers.length} offers of the story`,
    apply(source, { offers }) {
      const taken = withOffers(source, offers);
      const title = isUntitled(source) && source.story ? titleOfStory(source.story) : null;
      return title === null ? taken : { ...taken, title };
    },
  }),
  /** What the story offers, refused: it is not offered again as long as its words stay. */
  leaveOffers: way<{ keys: readonly string[] }>({
    says: ({ keys }) =>
      keys.length === 1 ? "leave what the story offers" : `leave ${keys.length} offers of the story`,
    apply: (source, { keys }) =>
      source.story
        ? { ...source, story: { ...source.story, left: [...new Set([...(source.story.left ?? []), ...keys])] } }
        : source,
  }),
};
