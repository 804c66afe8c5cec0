// Runs before the first paint, so that the chosen ground does not flash.
const chosen = localStorage.getItem('skarn-theme');
const dark = chosen ? chosen === 'dark' : matchMedia('(prefers-color-scheme: dark)').matches;
document.documentElement.dataset.theme = dark ? 'dark' : 'light';
