// Run in the page: what a person can read there, and what is cut off or lies over something else.
const seen = (element) => {
  const box = element.getBoundingClientRect();
  const style = getComputedStyle(element);
  return box.width > 1 && box.height > 1 && style.visibility !== "hidden" && style.clipPath === "none";
};
const named = [...document.querySelectorAll("[aria-label], [placeholder], [alt], [title]")].flatMap((element) =>
  ["aria-label", "placeholder", "alt", "title"].map((name) => element.getAttribute(name)).filter(Boolean));
const drawn = [...document.querySelectorAll("svg text, svg title")].map((element) => element.textContent);
const controls = [...document.querySelectorAll("button, a[href], label, input, textarea, th, h2, h3, h4, [role=tab]")].filter(seen);
const cut = controls
  .filter((element) => element.scrollWidth > element.clientWidth + 2 && getComputedStyle(element).overflowX !== "visible" && !element.matches("input, textarea"))
  .map((element) => element.textContent);
const pressed = [...document.querySelectorAll("button, a[href], [role=tab]")].filter((element) => seen(element) && !element.closest("svg, [data-overlay]"));
// The part of a box that the scrolled boxes around it let through.
const through = (element) => {
  let { left, right, top, bottom } = element.getBoundingClientRect();
  for (let around = element.parentElement; around; around = around.parentElement) {
    if (getComputedStyle(around).overflowX === "visible" && getComputedStyle(around).overflowY === "visible") continue;
    const box = around.getBoundingClientRect();
    [left, right, top, bottom] = [Math.max(left, box.left), Math.min(right, box.right), Math.max(top, box.top), Math.min(bottom, box.bottom)];
  }
  return { left, right, top, bottom };
};
const over = pressed.flatMap((one, index) => pressed.slice(index + 1).filter((other) => {
  if (one.contains(other) || other.contains(one)) return false;
  const [a, b] = [through(one), through(other)];
  return Math.min(a.right, b.right) - Math.max(a.left, b.left) > 2 && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 2;
}).map((other) => `${one.textContent} / ${other.textContent}`));
return { lines: [...document.body.innerText.split("\n"), ...named, ...drawn], cut, over };
