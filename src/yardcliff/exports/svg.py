"""The drawing as SVG, in millimetres of an A4 sheet's width."""

from html import escape

from yardcliff.core.design.rack_design import Design
from yardcliff.core.shapes.geometry import svg as path_data
from yardcliff.exports.drawing import TEXT, InkedPath, lay_out

WIDTH, HEIGHT = 277.0, 180.0


def write_svg(name: str, design: Design) -> str:
    """A stand-alone SVG document; its title names the rack and the scale."""
    drawn, scale = lay_out(design.scene, WIDTH, HEIGHT)
    out = [
        (
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}mm" height="{HEIGHT}mm"'
            f' viewBox="0 0 {WIDTH} {HEIGHT}">'
        ),
        f"<title>{escape(name)}, 1:{1 / scale:.1f}</title>",
        f'<rect width="{WIDTH}" height="{HEIGHT}" fill="#ffffff"/>',
        (
            f'<g transform="translate(0 {HEIGHT}) scale(1 -1)" stroke-linejoin="round"'
            ' stroke-linecap="round">'
        ),
    ]
    for thing in drawn:
        if isinstance(thing, InkedPath):
            ink = thing.ink
            dash = f' stroke-dasharray="{" ".join(map(str, ink.dash))}"' if ink.dash else ""
            out.append(
                f'<path d="{path_data(thing.path)}" fill="{ink.fill or "none"}" fill-rule="evenodd"'
                f' stroke="{ink.stroke or "none"}" stroke-width="{ink.width}"{dash}/>'
            )
    out.append(
        f'</g><g font-family="Source Sans 3, sans-serif" font-size="{TEXT}" text-anchor="middle"'
        ' fill="#20303a">'
    )
    for thing in drawn:
        if not isinstance(thing, InkedPath):
            x, y = round(thing.x, 2), round(HEIGHT - thing.y, 2)
            turn = f' transform="rotate(-90 {x} {y})"' if thing.turned else ""
            out.append(f'<text x="{x}" y="{y}"{turn}>{escape(thing.text)}</text>')
    out.append("</g></svg>\n")
    return "\n".join(out)
