import { fieldTable, figureText, typedFields, typedFigure, writtenFields } from './fields';

const FIELDS = fieldTable(
  { key: 'stall', path: 'stallTorqueNm', label: 'Stall torque', unit: 'N·m', required: true },
  { key: 'supply', path: 'supply', label: 'Supply', unit: '%', scale: 0.01 },
  { key: 'arm', path: 'armMm', label: 'Arm', unit: 'mm' },
);

test('what is typed goes to the schema under its names, in its units; what is empty is left out', () => {
  expect(writtenFields(FIELDS, { stall: '2 lbf·ft', supply: '55 %', arm: ' ' })).toEqual({
    stallTorqueNm: 2.71163589666,
    supply: 0.55,
  });
  expect(writtenFields(FIELDS, { stall: '2 1/2', supply: '', arm: '4 in' })).toEqual({
    stallTorqueNm: 2.5,
    armMm: 101.6,
  });
});

test('what is asked for and empty, and what is no figure, go on as text for the schema to refuse', () => {
  expect(writtenFields(FIELDS, { stall: '', supply: 'much', arm: '4 kg' })).toEqual({
    stallTorqueNm: '',
    supply: 'much',
    armMm: '4 kg',
  });
});

test('a value of the schema fills the fields, and comes back as it was', () => {
  const values = { stallTorqueNm: 0.6, supply: 0.07, armMm: 101.6 };
  const form = typedFields(FIELDS, values);
  expect(form).toEqual({ stall: '0.6', supply: '7', arm: '101.6' });
  expect(writtenFields(FIELDS, form)).toEqual(values);
  expect(typedFields(FIELDS, { stallTorqueNm: 1, supply: null })).toEqual({ stall: '1', supply: '', arm: '' });
});

test('a field is filled with four figures', () => {
  expect([figureText(0.123456), figureText(1234.5678), figureText(2)]).toEqual(['0.1235', '1235', '2']);
  expect(typedFigure('12,5')).toBe(12.5);
});
