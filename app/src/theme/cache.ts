import createCache from '@emotion/cache';

/** Styles are only taken with the nonce of the page; the server that serves the built app gives it one. */
export const cache = createCache({
  key: 'css',
  ...nonceOf(
    typeof document === 'undefined'
      ? null
      : document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]'),
  ),
});

function nonceOf(meta: HTMLMetaElement | null): { readonly nonce?: string } {
  return meta === null ? {} : { nonce: meta.nonce };
}
