import type { AsyncComponentLoader, Component } from "vue";

/**
 * A part of the page that comes when it is asked for; while the server is away it is asked for again, for two minutes.
 */
export const later = <C extends Component>(loader: AsyncComponentLoader<C>) =>
  defineAsyncComponent<C>({
    loader,
    onError: (_failure, retry, fail, attempts) => {
      if (attempts < 60) setTimeout(retry, 2000);
      else fail();
    },
  });
