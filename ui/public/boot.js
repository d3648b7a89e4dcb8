// Sets the theme before the first paint: the reader's choice, else the system's.
(function () {
  var chosen = localStorage.getItem('theme');
  var dark = chosen ? chosen === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.classList.toggle('dark', dark);
})();
