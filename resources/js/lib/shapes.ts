// Shapes of what the server sends; each has a class of the same name on the PHP side, and a test compares them.

/** How a need is covered. Shares are parts of 1000; quantities are decimals as text. */
export interface Strip {
    parts: StripPart[];
    complete: string | null;
    tooLate: boolean;
    unit: string;
}

/** One stretch of a cover strip: stock, order, proposal, late or nothing. */
export interface StripPart {
    kind: string;
    share: number;
    qty: string;
}

/** Whom a supply is for, in parts of 1000; the rest is for the stock rule. */
export interface CauseStrip {
    sales: number;
    forecast: number;
}

/** Something with a page of its own, and what to call it. */
export interface Link {
    label: string;
    href: string | null;
}

/** One bucket of the plan grid. `mark` is calm, look or broken. */
export interface GridCell {
    start: string;
    balance: string;
    mark: string;
    proposed: boolean;
    ordered: boolean;
}

/** A planning point in the plan grid. */
export interface GridRow {
    item: string;
    site: string;
    name: string;
    unit: string;
    decimals: number;
    level: number;
    supply: string;
    troubleFrom: string | null;
    cells: GridCell[];
}

/** One bucket of a point's record, quantities as text. */
export interface RecordRow {
    start: string;
    sales: string;
    forecast: string;
    parts: string;
    out: string;
    needed: string;
    receipts: string;
    proposals: string;
    toStart: string;
    balance: string;
    mark: string;
}

/** A supply or demand in date order. `kind` is stock, order, proposal, or the kind of demand. */
export interface FlowRow {
    date: string;
    kind: string;
    what: Link;
    note: string;
    lateDays: number;
    qty: string;
    balance: string;
    mark: string;
}

/** A line of a structure, up or down. */
export interface StructureRow {
    item: string;
    site: string;
    name: string;
    level: number;
    qty: string;
    unit: string;
    note: string;
}

/** A label and its value. */
export interface Fact {
    label: string;
    value: string;
}

/** An item at a site as the inspector and its page show it. */
export interface PointDetail {
    item: string;
    site: string;
    siteName: string;
    name: string;
    unit: string;
    decimals: number;
    level: number;
    supply: string;
    facts: Fact[];
    flow: FlowRow[];
    record: RecordRow[];
    below: StructureRow[];
    above: StructureRow[];
    planning: Fact[];
    messages: MessageRow[];
    safety: string;
}

/** One thing the plan has to say. */
export interface MessageRow {
    code: string;
    text: string;
    item: string;
    site: string;
    from: string | null;
    to: string | null;
    href: string | null;
}

/** A line of the arithmetic behind a number. `tone` is plain, sum, mute or broken. */
export interface AnswerLine {
    text: string;
    qty: string | null;
    tone: string;
}

/** Whom or what a number is linked to. */
export interface AnswerPeg {
    what: Link;
    note: string;
    qty: string;
}

/** Where a number comes from. */
export interface Answer {
    title: string;
    lines: AnswerLine[];
    pegsTitle: string;
    pegs: AnswerPeg[];
}

/** A supplier that could be ordered from instead. */
export interface SupplierChoice {
    code: string;
    name: string;
    lead: number;
    price: string | null;
    currency: string;
    possible: string;
}

/** A proposal in the list. Dates are ISO dates; `due` is the date the order would take. */
export interface ProposalRow {
    number: number;
    kind: string;
    item: string;
    site: string;
    name: string;
    unit: string;
    decimals: number;
    qty: string;
    start: string;
    wanted: string;
    due: string;
    expected: string;
    supplier: string | null;
    supplierName: string | null;
    fromSite: string | null;
    daysToStart: number;
    waitsFor: string | null;
    causes: CauseStrip;
    purpose: string;
    value: string | null;
    currency: string;
    group: string;
}

/** Proposals under one heading. */
export interface ProposalGroup {
    key: string;
    title: string;
    note: string;
    value: string | null;
    currency: string;
    rows: ProposalRow[];
}

/** A proposal in the inspector. */
export interface ProposalDetail {
    row: ProposalRow;
    answer: Answer;
    suppliers: SupplierChoice[];
    messages: MessageRow[];
}

/** A sales line with its cover. */
export interface SalesRow {
    order: string;
    line: string;
    customer: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    decimals: number;
    open: string;
    shipped: string;
    due: string;
    priority: number;
    expected: string | null;
    lateDays: number;
    reason: string | null;
    strip: Strip | null;
}

/** A forecast bucket: forecast, consumed by orders, left. */
export interface ForecastCell {
    id: number | null;
    start: string;
    qty: string;
    consumed: string;
    left: string;
    version: number;
}

/** A forecast of an item at a site over its buckets. */
export interface ForecastRow {
    forecast: string;
    item: string;
    site: string;
    name: string;
    unit: string;
    decimals: number;
    bucket: string;
    cells: ForecastCell[];
}

/** An order in the list. */
export interface OrderRow {
    code: string;
    kind: string;
    status: string;
    site: string;
    supplier: string | null;
    what: string;
    lines: number;
    qty: string | null;
    unit: string;
    due: string;
    daysLate: number;
    message: string | null;
    made: string | null;
}

/** A line of an order. */
export interface OrderLineRow {
    code: string;
    item: string;
    name: string;
    unit: string;
    decimals: number;
    qty: string;
    received: string;
    start: string | null;
    due: string;
    expected: string | null;
    price: string | null;
    pinned: boolean;
    priority: number;
    source: string | null;
    messages: MessageRow[];
    serves: AnswerPeg[];
    components: ComponentRow[];
}

/** What an order still needs. */
export interface ComponentRow {
    line: string;
    item: string;
    name: string;
    unit: string;
    qty: string;
    issued: string;
    need: string;
    strip: Strip | null;
    substitutes: SubstituteChoice[];
}

/** An order with its lines. */
export interface OrderDetail {
    code: string;
    kind: string;
    status: string;
    site: string;
    siteName: string;
    supplier: string | null;
    currency: string;
    total: string | null;
    createdBy: string | null;
    createdAt: string | null;
    lines: OrderLineRow[];
}

/** Something that needs the planner. `icon` names what it is; `tone` is broken, look or calm. */
export interface TodayLine {
    icon: string;
    tone: string;
    title: string;
    emphasis: string;
    note: string;
    strip: Strip | null;
    action: Link;
}

/** A figure against that of the plan before. */
export interface TodayFigure {
    label: string;
    value: string;
    change: string | null;
    worse: boolean;
}

/** What starts, arrives and leaves on a working day, and how much of it has trouble. */
export interface TodayDay {
    day: string;
    start: number;
    startTrouble: number;
    arrive: number;
    arriveTrouble: number;
    leave: number;
    leaveTrouble: number;
}

/** A change of data since the plan was made. */
export interface ChangeRow {
    text: string;
    by: string;
    at: string;
}

/** A run and how far it is. */
export interface RunState {
    id: number;
    status: string;
    stage: string | null;
    trouble: string | null;
    figures: TodayFigure[];
}

/** Something found by the search. */
export interface Hit {
    kind: string;
    label: string;
    note: string;
    href: string;
}

/** A need in the pegging list, down to what serves it or up to whom it is for. Dates are ISO dates; `holdUp` marks the chain that decides the date. */
export interface PegRow {
    level: number;
    item: string;
    site: string;
    name: string;
    what: Link;
    qty: string;
    unit: string;
    needed: string | null;
    expected: string | null;
    lateDays: number;
    strip: Strip | null;
    servedBy: Link[];
    holdUp: boolean;
    repeated: boolean;
}

/** A study, what it changes and what came of it. `parameters` are those as sentences. */
export interface StudyRow {
    id: number;
    name: string;
    by: string;
    mine: boolean;
    version: number;
    parameters: string[];
    changes: StudyChange[];
    settings: StudySettings;
    status: string | null;
    trouble: string | null;
    plannedAt: string | null;
    stale: boolean;
    planned: boolean;
    figures: TodayFigure[];
}

/** A change as a sentence, and its fields as JSON. */
export interface StudyChange {
    text: string;
    fields: string;
}

/** What of the parameters of a study differs from the live plan; null where it does not. */
export interface StudySettings {
    horizonEnd: string | null;
    forecasts: string[] | null;
    sites: string[] | null;
    safetyStock: boolean | null;
}

/** A total of two plans. */
export interface ComparedFigure {
    label: string;
    before: string;
    after: string;
    change: string | null;
    worse: boolean;
    better: boolean;
}

/** A late sales line in two plans. `kind` is added, gone or changed; dates are ISO dates, null where it is on time. */
export interface ComparedLate {
    kind: string;
    order: string;
    line: string;
    customer: string;
    item: string;
    site: string;
    qty: string;
    unit: string;
    due: string;
    before: string | null;
    after: string | null;
    daysBefore: number;
    daysAfter: number;
    why: string;
}

/** A proposal in two plans. */
export interface ComparedProposal {
    kind: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    supply: string;
    before: ComparedSupply | null;
    after: ComparedSupply | null;
}

/** A proposal of one of two compared plans. */
export interface ComparedSupply {
    qty: string;
    start: string;
    due: string;
    expected: string;
    supplier: string | null;
}

/** A message in two plans. */
export interface ComparedMessage {
    kind: string;
    code: string;
    about: string;
    item: string;
    site: string;
    before: string;
    after: string;
}

/** The average value of the projected stock of an item in two plans. */
export interface ComparedStock {
    item: string;
    name: string;
    site: string;
    before: string;
    after: string;
    change: string;
    more: boolean;
}

/** A message to work through. `applies` says what applying it would do, null where nothing can be done at once. */
export interface MessageTask {
    n: number;
    code: string;
    kind: string;
    text: string;
    item: string;
    name: string;
    site: string;
    from: string | null;
    to: string | null;
    riskLines: number;
    riskValue: string;
    href: string | null;
    applies: string | null;
    state: string | null;
    until: string | null;
    reason: string;
    by: string;
    identity: string;
    facts: string;
}

/** How many messages there are of a kind. */
export interface MessageKind {
    code: string;
    label: string;
    count: number;
}

/** A supply on the time axis of a thread, below what it serves. `kind` is line, stock, order, proposal or gap; `way` is make, buy, transfer or empty. Dates are ISO dates; `wanted` is when what it serves needs it. */
export interface ThreadRow {
    id: number;
    parent: number;
    level: number;
    kind: string;
    way: string;
    label: string;
    note: string;
    item: string;
    site: string;
    qty: string;
    unit: string;
    from: string | null;
    to: string;
    wanted: string | null;
    lateDays: number;
    holdUp: boolean;
    repeated: boolean;
    href: string | null;
    reference: string | null;
}

/** A step of the chain that decides a date. `days` are those that it adds. */
export interface ThreadStep {
    label: string;
    to: string;
    days: number;
    late: boolean;
}

/** A total with and without a draft, as text; worse and better as a planner sees it. */
export interface DraftFigure {
    name: string;
    label: string;
    before: string;
    after: string;
    change: string;
    worse: boolean;
    better: boolean;
}

/** A line of a draft: what it says, what it does on top of the lines above it, and why it does not fit any more. */
export interface DraftLine {
    id: number;
    kind: string;
    sentence: string;
    parts: string[];
    figures: DraftFigure[];
    notes: string[];
    trouble: string | null;
    moved: boolean;
    may: boolean;
}

/** A sales line or an open order that arrives on another day than before; ISO dates. */
export interface SlipRow {
    kind: string;
    reference: string;
    label: string;
    item: string;
    name: string;
    customer: string;
    qty: string;
    unit: string;
    due: string;
    before: string | null;
    after: string | null;
    days: number;
    hurts: boolean;
    helps: boolean;
    href: string | null;
    need: string;
}

/** A draft as its tray shows it. */
export interface DraftState {
    version: number;
    lines: DraftLine[];
    figures: DraftFigure[];
    slips: SlipRow[];
    canUndo: boolean;
    canRedo: boolean;
    troubles: number;
}

/** What a draft makes of something that stands in a list, by its reference; null where it stays. */
export interface DraftMark {
    reference: string;
    due: string | null;
    qty: string | null;
    text: string;
}

/** A need of the window and how it is covered. Quantities are decimals as text, dates are ISO dates. */
export interface ShortageRow {
    identity: string;
    state: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    qty: string;
    short: string;
    consumer: Link;
    consumerDue: string | null;
    date: string;
    orderBy: string | null;
    daysPast: number;
    expected: string | null;
    lateDays: number;
    strip: Strip;
    hits: string[];
    lines: string[];
    served: string;
    reference: string;
    accepted: string | null;
}

/** One way out of a shortage and what it does; changes are the JSON of what would be drafted. */
export interface RemedyRow {
    kind: string;
    title: string;
    note: string;
    solves: boolean;
    expected: string | null;
    figures: DraftFigure[];
    hurt: string[];
    changes: string;
    letter: string;
}

/** A need in the structure below what was asked for. Quantities are decimals as text, dates are ISO dates. */
export interface AvailabilityRow {
    id: number;
    parent: number;
    depth: number;
    item: string;
    name: string;
    site: string;
    unit: string;
    way: string;
    via: string;
    required: string;
    onHand: string;
    incoming: string;
    short: string;
    strip: Strip;
    date: string;
    expected: string | null;
    lateDays: number;
    lead: number;
    decides: boolean;
    again: boolean;
    hasMore: boolean;
}

/** When what was asked for is complete, and through what. */
export interface AvailabilityAnswer {
    label: string;
    item: string;
    name: string;
    site: string;
    unit: string;
    qty: string;
    wanted: string;
    complete: string | null;
    inTime: boolean;
    fromStock: boolean;
    decidedBy: string;
    rows: AvailabilityRow[];
    more: number;
    slips: SlipRow[];
    figures: DraftFigure[];
    changes: string;
}

/** What a bought part is needed for over all levels against what there is. Quantities are decimals as text. */
export interface GrossRow {
    item: string;
    name: string;
    site: string;
    unit: string;
    qty: string;
    stock: string;
    incoming: string;
    missing: string;
}

/** Supply that is held for a demand; ISO dates. */
export interface HeldRow {
    demand: string;
    supply: string;
    consumer: Link;
    from: string;
    item: string;
    name: string;
    unit: string;
    qty: string;
    due: string | null;
    arrives: string | null;
    others: Subject[];
}

/** An open order or sales line with how far what it needs is held for it. */
export interface HeldOrder {
    reference: string;
    subject: Link;
    item: string;
    name: string;
    due: string;
    status: string;
    needs: number;
    complete: number;
    wanted: string;
    kept: string;
    available: boolean;
}

/** Material that someone misses on an order until a day; ISO date. */
export interface MissingRow {
    id: number;
    order: string;
    line: string;
    item: string;
    name: string;
    until: string;
    note: string;
    by: string;
    at: string;
}

/** An entry of the journal; what was committed can be undone as a whole. */
export interface JournalRow {
    id: number;
    at: string;
    by: string;
    sentence: string;
    parts: string[];
    commit: number | null;
    undone: boolean;
}

/** What availability can be asked of: an open order, a sales line, an item at a site. `of` is its reference. */
export interface Subject {
    of: string;
    label: string;
    note: string;
}

/** What may stand for a component in an order; the ratio is how much of it stands for one of the component, a decimal as text. */
export interface SubstituteChoice {
    item: string;
    name: string;
    ratio: string;
}
