/** An SVG drawn by the browser as a PNG of a width in px. Rejects where the browser cannot. */
export async function svgToPng(svg: string, widthPx: number): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([svg], { type: "image/svg+xml" }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement("canvas");
    canvas.width = widthPx;
    canvas.height = Math.round((widthPx * image.naturalHeight) / image.naturalWidth);
    canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) =>
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("No picture came of it."))), "image/png"),
    );
  } finally {
    URL.revokeObjectURL(url);
  }
}
