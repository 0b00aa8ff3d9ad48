import type { components } from "./schema";

type Schemas = components["schemas"];
export type Design = Schemas["DesignView"];
export type Rack = Schemas["RackView"];
export type RackSummary = Schemas["RackSummary"];
export type Catalogue = Schemas["Catalogue"];
export type ItemChoice = Schemas["ItemChoice"];
export type Measures = Schemas["MeasuresView"];
export type Hang = Schemas["Hang"];
export type Kept = Schemas["Kept"];
export type ImportReport = Schemas["ImportReport"];
export type Used = Schemas["Used"];
export type Choice = Schemas["Choice"];
export type Scene = Schemas["SceneView"];
export type Dimension = Schemas["DimensionView"];
export type Box = Schemas["BoxView"];
export type Marks = Schemas["MarksView"];
export type Finding = Schemas["FindingView"];
export type Figure = Schemas["FigureView"];
export type Reordered = Schemas["ReorderView"];
export type MarksCheck = Schemas["CheckView"];
export type Version = Schemas["VersionView"];
export type Trait = Schemas["TraitView"];
export type Comparison = Schemas["Comparison"];
export type Jig = Schemas["JigView"];
export type Member = Schemas["MemberView"];
export type Most = Schemas["MostView"];
export type Way = Schemas["WayView"];
export type ChoiceField = Schemas["ChoiceField"];
export type ChoiceSection = Schemas["ChoiceSection"];
export type Standing = Schemas["StandingView"];
export type HoleTable = Schemas["HoleTableView"];
export type OnWall = Schemas["OnWallView"];
export type FixingWay = Schemas["FixingWay"];
export type Wall = Schemas["WallView"];
export type WallChoice = Schemas["WallChoice"];
export type Timber = Schemas["TimberView"];
export type TimberGroup = Schemas["GroupView"];
export type CutStick = Schemas["CutStickView"];
export type Sawn = Schemas["SawnView"];
export type Piece = Schemas["PieceView"];
export type TriedTimber = Schemas["TriedView"];
export type Chosen = Schemas["Chosen"];
export type Cost = Schemas["CostView"];
export type Stock = Schemas["StockView"];
export type Stick = Schemas["StickView"];
export type StickText = Schemas["StickText"];
export type TimberFile = Schemas["TimberFile"];
export type Instrument = Schemas["InstrumentView"];
export type Making = Schemas["MakingView"];
export type Newest = Schemas["Version"];
export type Task = Schemas["TaskView"];
export type ShopSheet = Schemas["ShopView"];
export type Shop = ShopSheet["shop"];
export type Deadline = Schemas["DeadlineView"];
export type Phone = Schemas["PhoneView"];
export type Log = Schemas["LogView"];
export type LogRow = Schemas["BuiltRowView"];
export type EntryText = Schemas["EntryText"];
export type WayOut = Schemas["WayOutView"];
export type Tick = Schemas["Tick"];
export type Rung = Schemas["RungView"];
export type Problem = Schemas["Problem"];
/** One answer of the line that previews go along: no request of the OpenAPI document. */
export interface Tried {
  design: Design | null;
  problem: Problem | null;
}
/** What is told of racks that are cut together, along a line as well. */
export interface Batch {
  within: string;
  timber: Timber | null;
  apart: string;
  saves: string;
  problem: Problem | null;
}
export type TapeName = Design["tape"]["name"];
/** A JSON merge patch on a brief. */
export type Patch = Record<string, unknown>;
