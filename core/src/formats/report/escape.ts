const ENTITIES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};

/** Characters that XML 1.0 has no place for, whatever they are escaped as. */
const NOT_XML =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** A text as it stands between tags or in an attribute of XML and HTML. */
export const escapeXml = (text: string): string =>
  text.replace(NOT_XML, '').replace(/[&<>"']/g, (letter) => ENTITIES[letter] ?? letter);
