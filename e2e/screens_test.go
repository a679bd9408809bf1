package e2e

// misfits says what does not fit a screen: what runs out of it sideways, what is too small for a
// finger (44 px, but for a link within a sentence), a band that leaves no room for the work, a page
// without a title of its own.
const misfits = `(() => {
  const out = [], w = window.innerWidth, h = window.innerHeight;
  const name = (e) => (e.getAttribute("aria-label") || e.innerText || e.getAttribute("placeholder") || e.id ||
  	e.tagName)
    .replace(/\s+/g, " ").slice(0, 40);
  const over = document.documentElement.scrollWidth - w;
  if (over > 0) out.push("the page is " + over + " px too wide");
  const main = document.querySelector("main");
  const scrolls = main.scrollWidth - main.clientWidth;
  if (scrolls > 1) {
    const edge = main.getBoundingClientRect().left + main.clientWidth + 1;
    const wide = [...main.querySelectorAll("*")].filter((e) => !e.closest("svg svg, svg *") &&
      e.getBoundingClientRect().right > edge).pop();
    out.push("the screen scrolls sideways by " + scrolls + " px: " + (wide ? wide.tagName + " " + name(wide) : "?"));
  }
  const sideways = (e) => { for (let p = e.parentElement; p && p !== main; p = p.parentElement)
    if (["auto", "scroll"].includes(getComputedStyle(p).overflowX) && p.scrollWidth > p.clientWidth) return true;
    return false };
  for (const e of document.querySelectorAll("h1, h2, h3, p, li, label, button, a, input, select")) {
    const r = e.getBoundingClientRect();
    if (r.width === 0 || e.closest(".sr-only, svg, [data-lanes]") || e.ariaHidden === "true" ||
      e.type === "file") continue;
    if ((r.right > w + 1 || r.left < -1) &&
      !sideways(e)) out.push(name(e) + " runs from " + Math.round(r.left) + " to " + Math.round(r.right));
  }
  const touched = "button, a[href], input, select, summary, textarea, [role=checkbox], [role=radio]";
  for (const e of document.querySelectorAll(touched)) {
    const r = e.getBoundingClientRect();
    if (r.width === 0 || e.closest(".sr-only") || e.type === "hidden" || e.type === "file" ||
      e.ariaHidden === "true") continue;
    const words = e.tagName === "A" && getComputedStyle(e).display === "inline" && e.closest("p, li, td, dd");
    const within = words && [...(e.closest("p, li, td, dd")).childNodes].some((n) => n.nodeType === 3 && n.data.trim());
    if (within) continue;
    const box = e.labels?.[0]?.getBoundingClientRect() ?? r;
    if (Math.max(r.height, box.height) < 43.5 || Math.max(r.width, box.width) < 43.5)
      out.push(name(e) + " is " + Math.round(r.width) + " × " + Math.round(r.height));
  }
  const band = document.querySelector("footer")?.getBoundingClientRect();
  if (band && (band.bottom > h + 1 ||
  	band.top < h * 0.4)) out.push("the band runs from " + band.top + " to " + band.bottom);
  if (!document.title.includes(" · ")) out.push("its title is " + document.title);
  return [...new Set(out)];
})()`
