export { isMusicXml, readMusicXml } from './read';
export { writeMusicXml, type Repeats } from './write';
export { decodeText, MOST_XML, packMxl, unpackMxl } from './mxl';
export { parseXml, type XmlNode } from './xml';
