/** The page behind an address, if that is one of a site's own; as a path with its query. */
function pageOf(address: string, origin: string): string | null {
  if (!URL.canParse(address, origin)) return null;
  const url = new URL(address, origin);
  return url.origin === origin ? url.pathname + url.search : null;
}

/**
 * Where someone goes once they have signed in: the `back` of the sign-in page's address if that is a page of this site, or
 * the first page.
 *
 * @param url the whole address of the sign-in page
 */
export function wayBack(url: string): string {
  const { origin, searchParams } = new URL(url);
  const page = pageOf(searchParams.get("back") ?? "/", origin);
  // A path like "//elsewhere.example" would be read as an address of another site.
  return page !== null && pageOf(page, origin) === page ? page : "/";
}
