package app.unciala.font.testing;

import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Path;

/** Fonts that fontTools builds out of real ones, of kinds that no Debian package has. */
public final class BuiltFonts {
    /** The letters of a real font, every number of every operator blended in two regions. */
    private static final String BLENDED = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.fontBuilder import FontBuilder
            from fontTools.pens.t2CharStringPen import T2CharStringPen
            from fontTools.misc.psCharStrings import T2CharString
            source = TTFont(sys.argv[1]); glyphs = source.getGlyphSet()
            names = source.getGlyphOrder()[:200]
            builder = FontBuilder(source['head'].unitsPerEm, isTTF=False)
            builder.setupGlyphOrder(names)
            builder.setupCharacterMap({c: n for c, n in source.getBestCmap().items() if n in names})
            strings = {}; seed = 7
            for name in names:
                pen = T2CharStringPen(None, glyphs, CFF2=True); glyphs[name].draw(pen)
                program = []; arguments = []
                for token in pen.getCharString().program:
                    if not isinstance(token, str): arguments.append(token); continue
                    deltas = []
                    for _ in range(2 * len(arguments)):
                        seed = (seed * 1103515245 + 12345) % 2**31; deltas.append(seed // 65536 % 41 - 20)
                    if arguments: program += arguments + deltas + [len(arguments), 'blend']
                    program.append(token); arguments = []
                strings[name] = T2CharString(program=program)
            builder.setupHorizontalMetrics({name: source['hmtx'][name] for name in names})
            builder.setupHorizontalHeader(); builder.setupOS2(usWeightClass=400); builder.setupPost()
            builder.setupNameTable({'familyName': 'Blend', 'styleName': 'Regular', 'psName': 'Blend-Regular'})
            builder.setupFvar([('wght', 100, 400, 900, 'Weight')], [])
            builder.setupCFF2(strings, regions=[{'wght': (0, 1, 1)}, {'wght': (-1, -1, 0)}])
            builder.save(sys.argv[2])
            """;

    /** Letters of a real font as graphs of paints of most formats, with shared layers, clips and one glyph in others. */
    private static final String PAINTED = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.colorLib.builder import buildCOLR, buildCPAL
            from fontTools.ttLib.tables.otTables import PaintFormat as F
            font = TTFont(sys.argv[1]); cmap = font.getBestCmap(); g = lambda c: cmap[ord(c)]
            solid = lambda i: {'Format': F.PaintSolid, 'PaletteIndex': i, 'Alpha': 1}
            stops = {'Extend': 'pad', 'ColorStop': [{'StopOffset': 0, 'PaletteIndex': 0, 'Alpha': 1},
                                                   {'StopOffset': 1, 'PaletteIndex': 2, 'Alpha': 0.5}]}
            shape = lambda c, paint: {'Format': F.PaintGlyph, 'Paint': paint, 'Glyph': g(c)}
            linear = {'Format': F.PaintLinearGradient, 'ColorLine': stops, 'x0': 0, 'y0': 0, 'x1': 900, 'y1': 900,
                      'x2': 0, 'y2': 700}
            radial = {'Format': F.PaintRadialGradient, 'ColorLine': stops, 'x0': 300, 'y0': 300, 'r0': 0, 'x1': 500,
                      'y1': 500, 'r1': 900}
            sweep = {'Format': F.PaintSweepGradient, 'ColorLine': stops, 'centerX': 500, 'centerY': 500,
                     'startAngle': 0, 'endAngle': 90}
            layers = lambda *paints: {'Format': F.PaintColrLayers, 'Layers': list(paints)}
            move = lambda paint: {'Format': F.PaintTranslate, 'Paint': paint, 'dx': 200, 'dy': -100}
            turn = lambda paint: {'Format': F.PaintRotateAroundCenter, 'Paint': paint, 'angle': 20, 'centerX': 400,
                                  'centerY': 400}
            bend = lambda paint: {'Format': F.PaintTransform, 'Paint': paint, 'Transform': (1, 0.2, 0, 1, 30, 0)}
            size = lambda paint: {'Format': F.PaintScaleUniform, 'Paint': paint, 'scale': 0.5}
            paints = {
                g('A'): layers(shape('B', solid(0)), move(shape('C', linear)), turn(shape('D', radial))),
                g('E'): {'Format': F.PaintComposite, 'SourcePaint': shape('F', sweep), 'CompositeMode': 'src_over',
                         'BackdropPaint': bend(shape('G', solid(1)))},
                g('H'): layers(size({'Format': F.PaintColrGlyph, 'Glyph': g('E')}), shape('I', solid(2))),
                g('J'): layers(*(shape(c, solid(0)) for c in 'KLMNOPQ')),
                g('x'): shape('y', solid(1)),
            }
            boxes = {g(c): (0, -400, 1800, 1600) for c in 'AEHJ'}
            font['COLR'] = buildCOLR(paints, version=1, glyphMap=font.getReverseGlyphMap(), clipBoxes=boxes)
            font['CPAL'] = buildCPAL([[(1, 0, 0, 1), (0, 0.4, 1, 1), (0, 0.6, 0.2, 1)]])
            font.save(sys.argv[2])
            """;

    private BuiltFonts() {}

    /** A variable font with CFF2 outlines: weight 100 to 900, 400 by default. */
    public static void blended(Path file) {
        Tool.python(BLENDED, RealFonts.named("Cantarell-Regular.otf"), file);
    }

    /** A font with COLR version 1: A, E, H, J and x are painted. */
    public static void painted(Path file) {
        Tool.python(PAINTED, RealFonts.named("Lato-Regular.ttf"), file);
    }
}
