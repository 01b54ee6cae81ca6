import type { PurchaseOrder } from '../../job/records/request.ts';
import type { Settings } from '../../job/records/settings.ts';
import { amountOfRow, totalOfOrder } from '../../orders/makeOrders.ts';
import { minorDigits } from '../../pricing/money.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import { escapeXml } from '../report/escape.ts';

const NAMESPACES = [
  'xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2"',
  'xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2"',
  'xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2"',
].join(' ');

/** Codes of UN/ECE Recommendation 20, from memory; what has none is EA with its word beside it. */
const UNIT_CODES: Readonly<Record<string, string>> = {
  ft: 'FOT',
  in: 'INH',
  yd: 'YRD',
  m: 'MTR',
  mm: 'MMT',
  'ft²': 'FTK',
  'yd²': 'YDK',
  'm²': 'MTK',
  'ft³': 'FTQ',
  'yd³': 'YDQ',
  'm³': 'MTQ',
  lb: 'LBR',
  kg: 'KGM',
  t: 'TNE',
  h: 'HUR',
  gal: 'GLL',
  l: 'LTR',
};

/** An order as UBL 2.1 (OASIS, ISO/IEC 19845) for programs that buy and sell. */
export function orderXml(order: PurchaseOrder, settings: Settings): string {
  const digits = minorDigits(settings.currency);
  const money = (minor: number): string => (minor / 10 ** digits).toFixed(digits);
  const amount = (name: string, minor: number): string =>
    `<cbc:${name} currencyID="${settings.currency}">${money(minor)}</cbc:${name}>`;
  const total = totalOfOrder(order, digits);
  return [
    `<?xml version="1.0" encoding="UTF-8"?>`,
    `<Order ${NAMESPACES}>`,
    `<cbc:UBLVersionID>2.1</cbc:UBLVersionID>`,
    `<cbc:ID>${order.number}</cbc:ID>`,
    `<cbc:IssueDate>${order.date}</cbc:IssueDate>`,
    ...(order.note === '' ? [] : [`<cbc:Note>${escapeXml(order.note)}</cbc:Note>`]),
    `<cbc:DocumentCurrencyCode>${settings.currency}</cbc:DocumentCurrencyCode>`,
    `<cac:BuyerCustomerParty>${party(settings.company)}</cac:BuyerCustomerParty>`,
    `<cac:SellerSupplierParty>${party(order.supplier)}</cac:SellerSupplierParty>`,
    ...delivery(order, settings),
    `<cac:AnticipatedMonetaryTotal>${amount('LineExtensionAmount', total)}${amount('PayableAmount', total)}</cac:AnticipatedMonetaryTotal>`,
    ...order.rows.map((row, at) => {
      const { code, word } = unitCode(row.unit);
      return [
        `<cac:OrderLine><cac:LineItem>`,
        `<cbc:ID>${at + 1}</cbc:ID>`,
        `<cbc:Quantity unitCode="${code}">${row.quantity}</cbc:Quantity>`,
        amount('LineExtensionAmount', amountOfRow(row, digits)),
        `<cac:Price><cbc:PriceAmount currencyID="${settings.currency}">${row.price}</cbc:PriceAmount>`,
        `<cbc:BaseQuantity unitCode="${code}">1</cbc:BaseQuantity></cac:Price>`,
        `<cac:Item>`,
        ...(word === '' ? [] : [`<cbc:Description>${escapeXml(word)}</cbc:Description>`]),
        `<cbc:Name>${escapeXml(row.description)}</cbc:Name>`,
        ...(row.partNumber === ''
          ? []
          : [
              `<cac:SellersItemIdentification><cbc:ID>${escapeXml(row.partNumber)}</cbc:ID></cac:SellersItemIdentification>`,
            ]),
        `</cac:Item>`,
        `</cac:LineItem></cac:OrderLine>`,
      ].join('');
    }),
    `</Order>`,
    ``,
  ].join('\n');
}

const party = (name: string): string =>
  `<cac:Party><cac:PartyName><cbc:Name>${escapeXml(name)}</cbc:Name></cac:PartyName></cac:Party>`;

function delivery({ deliverBy }: PurchaseOrder, { location }: Settings): readonly string[] {
  if (deliverBy === '' && location === '') return [];
  const place =
    location === ''
      ? ''
      : `<cac:DeliveryLocation><cbc:Description>${escapeXml(location)}</cbc:Description></cac:DeliveryLocation>`;
  const period =
    deliverBy === ''
      ? ''
      : `<cac:RequestedDeliveryPeriod><cbc:EndDate>${deliverBy}</cbc:EndDate></cac:RequestedDeliveryPeriod>`;
  return [`<cac:Delivery>${place}${period}</cac:Delivery>`];
}

/** The code of a unit, and its word where the code does not say it. */
function unitCode(unit: string): { readonly code: string; readonly word: string } {
  const { symbol } = unitOrLabel(unit);
  const code = UNIT_CODES[symbol];
  if (code !== undefined) return { code, word: '' };
  return { code: 'EA', word: ['ea', 'each', ''].includes(symbol) ? '' : symbol };
}
