/** What the History place says. */
export const words = {
  title: "History",
  below: "Who did what, latest first.",
  by: "By",
  anybody: "Anybody",
  itself: "Unciala itself",
  about: "About",
  everything: "Everything",
  from: "From",
  until: "Until",
  narrowed: "of this record only: show all",
  none: "Nothing was done that fits.",
};
