/** The properties that make up the look of a drawing; a file on its own has no style sheet to take them from. */
const LOOK = [
  'fill',
  'fill-opacity',
  'fill-rule',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-size',
  'font-weight',
  'paint-order',
  'text-anchor',
] as const;

/** A drawing as a file of its own: the look written into it, handles and marks left out, on paper. */
export function standaloneSvg(svg: SVGSVGElement, title: string): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const originals = svg.querySelectorAll('*');
  copy.querySelectorAll('*').forEach((element, i) => {
    const original = originals[i];
    if (!original) return;
    const style = getComputedStyle(original);
    for (const property of LOOK) element.setAttribute(property, style.getPropertyValue(property));
    if (element.tagName === 'text') element.setAttribute('font-family', 'Atkinson Hyperlegible Next, Verdana, sans-serif');
    for (const attribute of [...element.attributes])
      if (/^(_ng|ng-|class$|tabindex|role|aria-)/.test(attribute.name)) element.removeAttribute(attribute.name);
  });
  copy.querySelectorAll('[data-handle]').forEach((handle) => handle.remove());
  for (const attribute of [...copy.attributes]) if (attribute.name.startsWith('_ng')) copy.removeAttribute(attribute.name);
  const { width, height } = svg.viewBox.baseVal;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  paper.setAttribute('width', String(width));
  paper.setAttribute('height', String(height));
  paper.setAttribute('fill', getComputedStyle(document.documentElement).getPropertyValue('--sheet').trim());
  const name = document.createElementNS('http://www.w3.org/2000/svg', 'title');
  name.textContent = title;
  copy.prepend(name, paper);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}

/** A drawing as a picture, at a multiple of its size. @throws Error when the browser cannot draw it */
export async function svgToPng(text: string, scale = 2): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.naturalWidth * scale;
  canvas.height = image.naturalHeight * scale;
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('the drawing is too large for a picture'))), 'image/png'),
  );
}
