/** What the reader says, on pages of others. */
export const words = {
  title: "Read the type of this page",
  what: "Collects its elements, style sheets and fonts. Texts are reduced to their characters; what’s typed into fields is left out.",
  keep: "Keep the texts and the page’s title",
  key: "Key for sending, from the site’s Pages tab",
  send: "Send",
  copy: "Copy",
  close: "Close",
  reading: "Reading the page …",
  taken: (texts: number, files: number) => `${texts} texts, ${files} files.`,
  copied: "Copied. Paste it on the site’s Pages tab.",
  selectIt: "The browser doesn’t allow copying here. Copy the text below.",
  sent: "Sent. The check is starting.",
  refused: "Not accepted:",
  notSent: "This page blocks sending. Copy the reading and paste it on the site’s Pages tab.",
};
