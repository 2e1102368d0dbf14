/** A field that shows its frame only when it is pointed at: the sheet reads as a page, not as a form. */
export const BARE = 'w-full min-w-0 rounded border border-transparent bg-transparent px-1 py-0.5 hover:border-line focus:border-muted';
