/** A PDF that this program made, as a download; it is a district's own, and no cache keeps it. */
export const pdfResponse = (pdf: Buffer, name: string): Response =>
  new Response(new Uint8Array(pdf), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename="${name}.pdf"`,
      "cache-control": "private, no-store",
    },
  });
