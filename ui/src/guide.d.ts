declare module 'virtual:guide-index' {
  const pages: { id: string; title: string; words: string }[];
  export default pages;
}
declare module 'virtual:guide' {
  const pages: { id: string; title: string; words: string; html: string }[];
  export default pages;
}
