/** A text that ships with the application. */
declare module '*.md' {
  const text: string;
  export default text;
}
