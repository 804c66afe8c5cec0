/** Answers come from the core in the browser; the server sends data, not pages. */
export const ssr = false;
