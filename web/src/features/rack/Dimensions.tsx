import type { Dimension } from "../../api/types";
import type { Size, View } from "../../drawing/view";
import { DimensionLines } from "../../ui/DimensionLines";
import { useSession, useShown } from "./shown";

interface Props {
  dimensions: readonly Dimension[];
  view: View;
  size: Size;
}

/** A rack's dimensions: a derived figure opens its working. */
export function Dimensions(props: Props) {
  const { openFigure } = useSession();
  const figures = useShown((shown) => shown.design.figures);
  return <DimensionLines {...props} opens={figures} onOpen={openFigure} />;
}
