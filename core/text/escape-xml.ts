/** A text as it may stand in XML and HTML, between elements and within quoted attributes (XML 1.0, 2.4). */
export const escapeXml = (text: string): string =>
	text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
