// Styles that come with the script that needs them.

/** From now on for this page. */
export function useStyles(css: string): void {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(css);
  document.adoptedStyleSheets.push(sheet);
}
