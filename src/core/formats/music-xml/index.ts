export { isMusicXml, readMusicXml } from './read';
export { writeMusicXml } from './write';
export { decodeText, MOST_XML, packMxl, unpackMxl } from './mxl';
export { parseXml, type XmlNode } from './xml';
