/** What the History place says. */
export const words = {
  title: "History",
  below: "Who did what, latest first.",
  by: "By",
  anybody: "Anyone",
  itself: "Unciala itself",
  about: "About",
  everything: "Everything",
  from: "From",
  until: "Until",
  narrowed: "about this record only: show all",
  none: "Nothing matches.",
};
