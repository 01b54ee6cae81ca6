/** What the bundler gives a worker. */
declare module '*?url' {
  const url: string;
  export default url;
}
