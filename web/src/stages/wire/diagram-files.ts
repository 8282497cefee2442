/** A drawing that keeps its look outside of the page: what styles say is written into it. */
export function withStyles(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [own, copied] = [[...svg.querySelectorAll('*')], [...copy.querySelectorAll('*')]];
  own.forEach((element, i) => {
    const style = getComputedStyle(element);
    for (const name of [
      'fill',
      'stroke',
      'stroke-width',
      'font-size',
      'font-weight',
      'font-family',
      'text-anchor',
    ])
      copied[i]?.setAttribute(name, style.getPropertyValue(name));
    copied[i]?.removeAttribute('class');
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return new XMLSerializer().serializeToString(copy);
}

/** Picture elements per px of the drawing: fine enough for print. */
const SHARP = 2;

/** A drawing as a PNG on white paper. Rejects where the browser cannot draw it. */
export async function asPng(svg: SVGSVGElement): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([withStyles(svg)], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = Math.ceil(svg.viewBox.baseVal.width * SHARP);
    canvas.height = Math.ceil(svg.viewBox.baseVal.height * SHARP);
    const paper = canvas.getContext('2d');
    if (paper === null) throw new Error('no canvas');
    paper.fillStyle = getComputedStyle(document.body).backgroundColor;
    paper.fillRect(0, 0, canvas.width, canvas.height);
    paper.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) => {
      canvas.toBlob((blob) => {
        if (blob === null) reject(new Error('no picture'));
        else resolve(blob);
      }, 'image/png');
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}
