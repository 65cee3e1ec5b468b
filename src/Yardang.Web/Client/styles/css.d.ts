/** A style sheet as text (build.mjs). */
declare module '*.css' {
  const css: string;
  export default css;
}
