import type { components, paths } from './schema'

type S = components['schemas']
type WrapPicture = paths['/api/dockets/{id}/wrap/pieces/{piece}/picture']['get']
/** A docket of the bench. What the tone bench prints are dockets too, with a chart for a plan; they are shown there. */
export type DocketSpec = Omit<S['DocketSpec'], 'plan'> & { plan: Single | Gang | Tiled | Wrap | Strip }
export type DocketView = Omit<S['DocketView'], 'spec'> & { spec: DocketSpec }
type On<Plan> = DocketView & { spec: { plan: Plan } }
/** One picture on a sheet. */
export type SheetDocket = On<Single>
/** A picture round a body. */
export type WrapDocket = On<Wrap> & { planned: Wrapped }
/** Several pictures together. */
export type GangDocket = On<Gang> & { planned: Ganged }
/** One picture over several sheets. */
export type TiledDocket = On<Tiled>
/** Variations of a part of one picture. */
export type StripDocket = On<Strip> & { planned: Stripped }
export type Strip = S['Strip']
export type Stripped = S['Stripped']
export type StripPiece = Stripped['pieces'][number]
export type StripChoices = S['StripChoices']
export type AxisChoice = S['AxisChoice']
export type AxisAsked = S['AxisAsked']
export type StripAsked = S['StripAsked']
export type Tiled = S['Tiled']
export type Seams = S['Seams']
export type Seam = S['Seam']
export type Tiling = S['Tiling']
export type Gang = S['Gang']
export type Ganged = S['Ganged']
export type Spot = S['Spot']
export type CutLine = S['CutLine']
export type Arrangement = S['Arrangement']
export type Wrap = S['Wrap']
export type SideFill = Wrap['fill']
/** What is laid round a face when a wrap's picture is asked for. */
export type Sides = NonNullable<NonNullable<WrapPicture['parameters']['query']>['sides']>
export type SideMoves = Wrap['moves']
export type WrapBody = Wrap['body']
export type Wrapped = S['Wrapped']
export type OwnBody = S['OwnBody']
/** What a person decides on a docket. */
export type Command = S['Command']
export type OnDocket = S['OnDocket']
/** A mark of one's own on a docket, and what it shows. */
export type OwnMark = S['OwnMark']
export type MarkArt = S['MarkArt']
export type PictureStamp = S['PictureStamp']
/** A file that came in and asks or is told of. */
export type Arrival = S['Arrival']
/** A file beside a picture of which it may be the newer one. */
export type FileCompared = S['FileCompared']
export type BroughtPicture = S['BroughtPicture']
export type Single = S['Single']
/** A piece: one picture as it is wanted on paper. */
export type Item = S['Item']
export type Page = S['Page']
export type Sharpening = S['Output']['sharpening']
export type Placed = S['Placed']
export type Attempt = S['Attempt']
export type DamagedRecord = S['Damaged']
export type AttemptPage = S['AttemptPage']
export type Printer = S['PrinterView']
export type Pairing = S['PairingVersion']
export type MadePairing = S['Made']
export type Boundary = S['Boundary']
export type PictureColours = S['PictureColours']
export type ProfileJudgement = S['ProfileJudgement']
export type NewProfiling = S['NewProfiling']
export type ProfilingView = S['ProfilingView']
export type NamedLight = S['NamedLight']
export type HangingLight = S['HangingLight']
export type LightFigures = S['LightFigures']
export type PaperCheck = S['CheckView']
export type FetchedProposal = S['FetchedProposal']
export type FetchedProfile = S['FetchedProfile']
export type LibraryPaper = S['LibraryPaper']
export type Library = S['Library']
export type ProfileOrigin = S['ProfileOrigin']
export type ProfileChoices = S['ProfileChoices']
export type ProfilingPage = S['PageView']
export type RulerView = S['RulerView']
export type Figures = S['Figures']
export type Cause = Figures['gamut']['parts'][number]['cause']
export type PairingComparison = S['PairingComparison']
export type Probe = S['Probe']
export type OwnDisplay = S['OwnDisplay']
export type Group = S['Group']
export type OnBench = S['OnBench']
export type Finding = S['Finding']
export type Histogram = S['Histogram']
export type StageStatus = S['StageStatus']
export type Mark = StageStatus['mark']
export type ByWistel = S['ByWistel']
export type Intent = ByWistel['intent']
export type Retention = S['Kept']
export type Status = S['Status']
export type Rendition = S['Rendition']
export type Treatment = S['Treatment']
export type Monochrome = S['Monochrome']
export type Move = S['Move']
export type Compensated = S['Compensated']
/** A change of a part of a picture: edges, a place, a slope. */
export type LocalMove = S['LocalMove']
export type LocalChange = S['LocalChange']
/** What is printed of a picture, which edges follow. */
export type PrintFrame = S['PrintFrame']
export type CompensationView = S['CompensationView']
export type Suggested = S['Suggested']
export type Goal = NonNullable<
  NonNullable<paths['/api/dockets/{id}/renditions/{rendition}/suggestion']['post']['parameters']['query']>['goal']
>
export type Shape = S['Shape']
export type Hues = S['Hues']
export type Shadows = S['Shadows']
export type Ends = S['Ends']
export type Toning = S['Toning']
export type TakenCompensation = S['TakenCompensation']
export type TakenProfile = S['TakenProfile']
export type PaperProfile = S['PaperProfile']
export type PairingProposal = S['PairingProposal']
export type SettingChoice = S['SettingChoice']
export type DriverSpace = S['DriverSpace']
export type PrintPrediction = S['PrintPrediction']
export type MadeVersion = S['Made']
export type FoundPrinter = S['FoundPrinter']
export type Costs = S['Costs']
export type Estimate = S['Estimate']
export type AlternativePrinter = S['AlternativePrinter']
export type Fix = S['Fix']
export type Wedge = S['WedgeView']
/** A wedge that was read. */
export type ReadWedge = Wedge & { reading: WedgeTold }
export type Lab = S['LabFile']
export type WedgeTold = S['WedgeTold']
export type WedgeStep = S['WedgeStep']
export type ScannerCurve = S['Scanner']
