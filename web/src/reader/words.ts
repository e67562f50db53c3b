/** What the reader says, on pages of others. */
export const words = {
  title: "Read the type of this page",
  what: "Takes along its elements, style sheets and fonts. Texts are reduced to their characters; what is typed into fields is left out.",
  keep: "Keep the texts and the page’s title",
  key: "Key for sending, from the site’s leaf Pages",
  send: "Send",
  copy: "Copy",
  close: "Close",
  reading: "The page is read.",
  taken: (texts: number, files: number) => `${texts} texts, ${files} files.`,
  copied: "Copied. Paste it on the site’s leaf Pages.",
  selectIt: "The browser does not allow copying here. Copy the text below.",
  sent: "Sent. The check begins.",
  refused: "It was not taken:",
  notSent: "This page does not let the reading be sent. Copy it, and paste it on the site’s leaf Pages.",
};
