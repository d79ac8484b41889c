import { XMLParser } from 'fast-xml-parser';
import { sampleLibrary } from '../../../education/sample/index.ts';
import { writeMatml } from './matml.ts';

const parse = (xml: string) =>
  (
    new XMLParser({
      ignoreAttributes: false,
      parseTagValue: false,
      isArray: (name) =>
        ['Material', 'PropertyData', 'PropertyDetails', 'ParameterDetails', 'ParameterValue'].includes(name),
    }).parse(xml) as {
      MatML_Doc: {
        Material: {
          BulkDetails: {
            Name: string;
            PropertyData: { '@_property': string; ParameterValue?: { '@_parameter': string }[] }[];
          };
        }[];
        Metadata: {
          PropertyDetails: { '@_id': string; Name: string; Units?: { '@_name': string } }[];
          ParameterDetails: { '@_id': string }[];
        };
      };
    }
  ).MatML_Doc;
const document = parse(writeMatml(sampleLibrary.grades));

test('a material a grade, under its name', () =>
  expect(document.Material.map(({ BulkDetails }) => BulkDetails.Name)).toEqual(
    sampleLibrary.grades.map(({ name }) => name),
  ));
test('every property and parameter that is used is described once', () => {
  const described = (details: { '@_id': string }[]) => {
    const ids = details.map((one) => one['@_id']);
    expect(new Set(ids).size).toBe(ids.length);
    return new Set(ids);
  };
  const properties = described(document.Metadata.PropertyDetails);
  const parameters = described(document.Metadata.ParameterDetails);
  for (const { BulkDetails } of document.Material) {
    for (const data of BulkDetails.PropertyData) {
      expect(properties).toContain(data['@_property']);
      for (const parameter of data.ParameterValue ?? []) expect(parameters).toContain(parameter['@_parameter']);
    }
  }
});
test('a property met in two units is described for each', () => {
  const moduli = document.Metadata.PropertyDetails.filter(({ Name }) => Name === 'Tensile modulus');
  expect(moduli.map(({ Units }) => Units?.['@_name']).sort()).toEqual(['GPa', 'MPa']);
});
test('text is escaped: no markup of a name becomes markup of the file', () => {
  const xml = writeMatml([{ ...sampleLibrary.grades[0]!, name: '<b>&"\'</b>' }]);
  expect(xml).not.toContain('<b>');
  expect(xml).toContain('&lt;b&gt;&amp;');
});
