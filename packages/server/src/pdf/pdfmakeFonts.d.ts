declare module 'pdfmake/fonts/Roboto.js' {
  import type { TFontDictionary } from 'pdfmake/interfaces.js';
  const fonts: TFontDictionary;
  export default fonts;
}
