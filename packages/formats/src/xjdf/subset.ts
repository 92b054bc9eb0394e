/** Namespace of the standard's elements. Source: from memory. */
export const XJDF = 'http://www.CIP4.org/JDFSchema_2_0';
/** Namespace of what is ours in such a file. */
export const OWN = 'urn:druckerei:exchange:1';
/** The version that is written. */
export const VERSION = '2.1';

/** What an attribute holds: a kind of value, or the words that it may be. */
export type ValueKind =
  | 'text'
  | 'name'
  | 'names'
  | 'count'
  | 'counts'
  | 'number'
  | 'numbers'
  | 'flag'
  | 'time'
  | 'duration'
  | readonly string[];

/** An element of the subset. */
export interface SubsetElement {
  readonly attributes: Readonly<Record<string, ValueKind>>;
  /** Attributes that may not be missing. */
  readonly wants?: readonly string[];
  readonly children: readonly string[];
}

const INTENTS = [
  'MediaIntent',
  'LayoutIntent',
  'ColorIntent',
  'BindingIntent',
  'FoldingIntent',
  'LaminatingIntent',
  'ShapeCuttingIntent',
  'EmbossingIntent',
  'ProductionIntent',
] as const;

const RESOURCES = [
  'NodeInfo',
  'Device',
  'Media',
  'Component',
  'ExposedMedia',
  'ColorantControl',
  'Ink',
  'RunList',
  'Layout',
  'CuttingParams',
  'FoldingParams',
  'StitchingParams',
  'DieLayout',
  'Contact',
  'CustomerInfo',
  'DeliveryParams',
] as const;

const empty = (attributes: SubsetElement['attributes'] = {}): SubsetElement => ({ attributes, children: [] });

/**
 * The elements of XJDF 2.x that are read and written, with the attributes that are understood. Dimensions are points of an inch / 72, weights g/m2,
 * thicknesses micrometres. Source: from memory; no conformance is claimed.
 */
export const SUBSET: Readonly<Record<string, SubsetElement>> = {
  XJDF: {
    attributes: {
      JobID: 'text',
      JobPartID: 'text',
      Types: 'names',
      Version: 'name',
      DescriptiveName: 'text',
    },
    wants: ['JobID', 'Types'],
    children: ['AuditPool', 'ProductList', 'ResourceSet'],
  },
  AuditPool: { attributes: {}, children: ['AuditCreated', 'AuditProcessRun', 'AuditResource'] },
  AuditCreated: { attributes: {}, children: ['Header'] },
  AuditProcessRun: { attributes: {}, children: ['Header', 'ProcessRun'] },
  AuditResource: { attributes: {}, children: ['Header', 'ResourceInfo'] },
  Header: {
    attributes: {
      AgentName: 'text',
      AgentVersion: 'text',
      DeviceID: 'text',
      ID: 'name',
      PersonalID: 'text',
      Time: 'time',
    },
    wants: ['Time'],
    children: [],
  },
  ProcessRun: empty({ Start: 'time', End: 'time', Duration: 'duration', EndStatus: 'name' }),
  ResourceInfo: { attributes: {}, children: ['ResourceSet'] },
  ProductList: { attributes: {}, children: ['Product'] },
  Product: {
    attributes: {
      ID: 'name',
      Amount: 'count',
      IsRoot: 'flag',
      ProductType: 'name',
      DescriptiveName: 'text',
      ExternalID: 'text',
    },
    children: ['Intent'],
  },
  Intent: { attributes: { Name: 'name' }, wants: ['Name'], children: INTENTS },
  MediaIntent: empty({
    MediaType: 'name',
    MediaQuality: 'text',
    Weight: 'number',
    Thickness: 'number',
    GrainDirection: 'name',
  }),
  LayoutIntent: empty({ FinishedDimensions: 'numbers', Dimensions: 'numbers', Pages: 'count', Sides: 'name' }),
  ColorIntent: { attributes: {}, children: ['SurfaceColor'] },
  SurfaceColor: { ...empty({ Surface: ['Front', 'Back'], ColorsUsed: 'names' }), wants: ['Surface'] },
  BindingIntent: empty({ BindingType: 'name', BindingOrder: 'name', ChildRefs: 'names' }),
  FoldingIntent: empty({ FoldingCatalog: 'name' }),
  LaminatingIntent: empty({ Surface: 'name', Texture: 'name' }),
  ShapeCuttingIntent: empty(),
  EmbossingIntent: empty(),
  ProductionIntent: empty({ PrintProcess: 'name' }),
  ResourceSet: {
    attributes: {
      Name: 'name',
      Usage: ['Input', 'Output'],
      ProcessUsage: 'name',
      CombinedProcessIndex: 'counts',
      ID: 'name',
    },
    wants: ['Name'],
    children: ['Resource'],
  },
  Resource: {
    attributes: {
      ID: 'name',
      Status: ['Available', 'Unavailable'],
      ExternalID: 'text',
      DescriptiveName: 'text',
    },
    children: ['Part', 'AmountPool', ...RESOURCES],
  },
  Part: empty({
    SheetName: 'name',
    Side: ['Front', 'Back'],
    Separation: 'name',
    ContactType: 'name',
    PartVersion: 'text',
  }),
  AmountPool: { attributes: {}, children: ['PartAmount'] },
  PartAmount: { attributes: { Amount: 'number', Waste: 'number' }, children: ['Part'] },
  NodeInfo: empty({ Start: 'time', End: 'time', SetupDuration: 'duration', TotalDuration: 'duration' }),
  Device: empty({ DeviceID: 'text', FriendlyName: 'text' }),
  Media: empty({
    MediaType: 'name',
    MediaQuality: 'text',
    Dimension: 'numbers',
    Weight: 'number',
    Thickness: 'number',
    GrainDirection: 'name',
  }),
  Component: empty({ Dimensions: 'numbers' }),
  ExposedMedia: empty({ PlateType: 'name' }),
  ColorantControl: empty({ ColorantOrder: 'names' }),
  Ink: empty(),
  RunList: { attributes: { NPage: 'count' }, children: ['FileSpec'] },
  FileSpec: empty({ URL: 'text' }),
  Layout: empty({ WorkStyle: 'name' }),
  CuttingParams: { attributes: {}, children: ['CutBlock'] },
  CutBlock: { ...empty({ BlockName: 'name', Box: 'numbers' }), wants: ['BlockName'] },
  FoldingParams: empty({ FoldCatalog: 'name' }),
  StitchingParams: empty({ NumberOfStitches: 'count', StitchType: 'name' }),
  DieLayout: { attributes: {}, children: ['Station'] },
  Station: empty({ StationName: 'name', StationAmount: 'count' }),
  Contact: { attributes: { ContactTypes: 'names' }, children: ['Company'] },
  Company: empty({ OrganizationName: 'text' }),
  CustomerInfo: empty({ CustomerID: 'text', CustomerOrderID: 'text' }),
  DeliveryParams: { attributes: { Required: 'time' }, children: ['DropItem'] },
  DropItem: empty({ Amount: 'count', ItemRef: 'name' }),
};
