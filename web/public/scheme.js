/* Before anything is drawn: the paper that was chosen in Settings, or the system's, so that no other one flashes up. */
(function () {
  var mode = null;
  try {
    mode = localStorage.getItem("mui-mode");
  } catch (e) {
    /* A browser that keeps nothing follows the system. */
  }
  var dark = mode === "dark" || (mode !== "light" && matchMedia("(prefers-color-scheme: dark)").matches);
  document.documentElement.setAttribute("data-scheme", dark ? "dark" : "light");
})();
