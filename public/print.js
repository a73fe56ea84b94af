// A list that was asked for on paper goes there as soon as it is all there.
window.addEventListener('load', () => window.print());
