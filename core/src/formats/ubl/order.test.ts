import { describe, expect, it } from '@jest/globals';
import { settingsOf } from '../../job/job.ts';
import type { PurchaseOrder } from '../../job/records/request.ts';
import { createTestJob } from '../../testing/job.ts';
import { orderXml } from './order.ts';

/** The elements used here in the order that UBL-Order-2.1.xsd and its common aggregates give (OASIS, from memory). */
const SEQUENCES: Readonly<Record<string, readonly string[]>> = {
  Order: [
    'cbc:UBLVersionID',
    'cbc:ID',
    'cbc:IssueDate',
    'cbc:Note',
    'cbc:DocumentCurrencyCode',
    'cac:BuyerCustomerParty',
    'cac:SellerSupplierParty',
    'cac:Delivery',
    'cac:AnticipatedMonetaryTotal',
    'cac:OrderLine',
  ],
  'cac:BuyerCustomerParty': ['cac:Party'],
  'cac:SellerSupplierParty': ['cac:Party'],
  'cac:Party': ['cac:PartyName'],
  'cac:PartyName': ['cbc:Name'],
  'cac:Delivery': ['cac:DeliveryLocation', 'cac:RequestedDeliveryPeriod'],
  'cac:DeliveryLocation': ['cbc:Description'],
  'cac:RequestedDeliveryPeriod': ['cbc:EndDate'],
  'cac:AnticipatedMonetaryTotal': ['cbc:LineExtensionAmount', 'cbc:PayableAmount'],
  'cac:OrderLine': ['cac:LineItem'],
  'cac:LineItem': ['cbc:ID', 'cbc:Quantity', 'cbc:LineExtensionAmount', 'cac:Price', 'cac:Item'],
  'cac:Price': ['cbc:PriceAmount', 'cbc:BaseQuantity'],
  'cac:Item': ['cbc:Description', 'cbc:Name', 'cac:SellersItemIdentification'],
  'cac:SellersItemIdentification': ['cbc:ID'],
};
const REQUIRED = [
  'cbc:ID',
  'cbc:IssueDate',
  'cac:BuyerCustomerParty',
  'cac:SellerSupplierParty',
  'cac:OrderLine',
];

interface Element {
  readonly name: string;
  readonly children: Element[];
  text: string;
}

/** The elements of an XML text; throws where one does not close. */
function parse(xml: string): Element {
  const open: Element[] = [{ name: '', children: [], text: '' }];
  for (const [, closing, name = '', rest = '', text = ''] of xml.matchAll(/<(\/?)([\w:]+)([^>]*)>([^<]*)/g)) {
    const top = open.at(-1);
    if (top === undefined) throw new Error('too many ends');
    if (closing === '/') {
      if (top.name !== name) throw new Error(`${name} ends where ${top.name} is open`);
      open.pop();
    } else {
      const element: Element = { name, children: [], text };
      top.children.push(element);
      if (!rest.endsWith('/')) open.push(element);
    }
  }
  const [root] = open[0]?.children ?? [];
  if (root === undefined || open.length !== 1) throw new Error('not one element');
  return root;
}

const order = (content: Partial<PurchaseOrder> = {}): PurchaseOrder => ({
  type: 'purchaseOrder',
  id: 'purchaseOrder:o',
  number: 12,
  supplier: 'Larch & Fetter <Lumber>',
  date: '2026-12-01',
  deliverBy: '2026-12-20',
  note: 'In two loads & by noon',
  requestId: null,
  rows: [
    {
      key: 'r1',
      partNumber: 'P-1',
      description: 'Stud "9 ft"',
      unit: 'ea',
      quantity: '74',
      price: '4.55',
      places: [],
    },
    {
      key: 'r2',
      partNumber: '',
      description: 'Tape',
      unit: 'roll',
      quantity: '3',
      price: '6.3333',
      places: [],
    },
    {
      key: 'r3',
      partNumber: '',
      description: 'Concrete',
      unit: 'yd³',
      quantity: '10.5',
      price: '164',
      places: [],
    },
  ],
  order: 1,
  ...content,
});
const xmlOf = (content: Partial<PurchaseOrder> = {}): string =>
  orderXml(order(content), { ...settingsOf(createTestJob().job), company: 'Builders', location: 'Saltmere' });

describe('an order as UBL', () => {
  it.each([
    ['with everything', {}],
    ['without note and day', { note: '', deliverBy: '' }],
  ])('has the elements of the standard in its order, %s', (_name, content) => {
    const check = ({ name, children }: Element): void => {
      const allowed = SEQUENCES[name];
      if (allowed === undefined) return expect(children).toEqual([]);
      const places = children.map((child) => allowed.indexOf(child.name));
      expect({ name, places: places.includes(-1) }).toEqual({ name, places: false });
      expect(places).toEqual([...places].sort((a, b) => a - b));
      children.forEach(check);
    };
    const root = parse(xmlOf(content));
    check(root);
    const names = root.children.map(({ name }) => name);
    for (const name of REQUIRED) expect(names).toContain(name);
  });

  it('escapes what people typed, and keeps it', () => {
    const xml = xmlOf();
    expect(xml).toContain('Larch &amp; Fetter &lt;Lumber&gt;');
    expect(xml).toContain('In two loads &amp; by noon');
  });

  it('has a code for units that have one, and says the word of any other', () => {
    const xml = xmlOf();
    expect(xml).toContain('<cbc:Quantity unitCode="YDQ">10.5</cbc:Quantity>');
    expect(xml).toContain('<cbc:Description>roll</cbc:Description>');
    expect(xml).not.toContain('<cbc:Description>ea</cbc:Description>');
  });

  it('comes to the sum of its lines, each rounded once', () => {
    // 74 × 4.55 = 336.70, 3 × 6.3333 = 19.00, 10.5 × 164 = 1722.00.
    const [total] = parse(xmlOf()).children.filter(({ name }) => name === 'cac:AnticipatedMonetaryTotal');
    expect(total?.children.map(({ text }) => text)).toEqual(['2077.70', '2077.70']);
  });
});
