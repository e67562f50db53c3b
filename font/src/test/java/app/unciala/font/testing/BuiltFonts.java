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

    /** Letters of a variable font as paints of every format that varies; their deltas stand in another order in the store. */
    private static final String VARIED = """
            import random, sys
            from fontTools.ttLib import TTFont
            from fontTools.ttLib.tables import otTables as ot
            from fontTools.colorLib.builder import buildCOLR, buildCPAL
            from fontTools.varLib.builder import buildVarRegionList, buildVarStore, buildVarData
            F = ot.PaintFormat
            font = TTFont(sys.argv[1]); cmap = font.getBestCmap(); g = lambda c: cmap[ord(c)]
            chance = random.Random(5); rows = []
            def base(count, most):
                rows.extend([chance.randint(-most, most), chance.randint(-most, most)] for _ in range(count))
                return len(rows) - count
            def paint(kind, most, count, **fields):
                return dict(fields, Format=kind, VarIndexBase=base(count, most))
            def line():
                return {'Extend': 'pad', 'ColorStop': [
                    {'StopOffset': 0.1, 'PaletteIndex': 0, 'Alpha': 0.9, 'VarIndexBase': base(2, 900)},
                    {'StopOffset': 0.9, 'PaletteIndex': 2, 'Alpha': 0.5, 'VarIndexBase': base(2, 900)}]}
            shape = lambda c, paint: {'Format': F.PaintGlyph, 'Paint': paint, 'Glyph': g(c)}
            solid = lambda i: paint(F.PaintVarSolid, 4000, 1, PaletteIndex=i, Alpha=0.7)
            def both(c, change): return {'Format': F.PaintColrLayers, 'Layers': [shape(c, solid(1)), change]}
            middle = dict(centerX=700, centerY=800)
            def changed(c, kind, most, count, **fields):
                return both(c, paint(kind, most, count, Paint=shape(c, solid(0)), **fields))
            paints = {
                'A': shape('A', solid(0)),
                'B': shape('B', paint(F.PaintVarLinearGradient, 300, 6, ColorLine=line(), x0=0, y0=0, x1=1400, y1=0,
                                      x2=0, y2=1400)),
                'C': shape('C', paint(F.PaintVarRadialGradient, 300, 6, ColorLine=line(), x0=700, y0=700, r0=100, x1=800,
                                      y1=800, r1=1200)),
                'D': shape('D', paint(F.PaintVarSweepGradient, 900, 4, ColorLine=line(), centerX=700, centerY=700,
                                      startAngle=10, endAngle=250)),
                'E': both('E', {'Format': F.PaintVarTransform, 'Paint': shape('E', solid(0)), 'Transform':
                          dict(xx=1, yx=0.2, xy=0, yy=0.8, dx=90, dy=20, VarIndexBase=base(6, 20000))}),
                'F': changed('F', F.PaintVarTranslate, 300, 2, dx=200, dy=-100),
                'G': changed('G', F.PaintVarScale, 4000, 2, scaleX=0.8, scaleY=1.2),
                'H': changed('H', F.PaintVarScaleAroundCenter, 900, 4, scaleX=0.8, scaleY=1.2, **middle),
                'I': changed('I', F.PaintVarScaleUniform, 4000, 1, scale=0.7),
                'J': changed('J', F.PaintVarScaleUniformAroundCenter, 900, 3, scale=0.7, **middle),
                'K': changed('K', F.PaintVarRotate, 900, 1, angle=10),
                'L': changed('L', F.PaintVarRotateAroundCenter, 900, 3, angle=-20, **middle),
                'M': changed('M', F.PaintVarSkew, 900, 2, xSkewAngle=10, ySkewAngle=5),
                'N': changed('N', F.PaintVarSkewAroundCenter, 900, 4, xSkewAngle=10, ySkewAngle=5, **middle),
                # A radius that falls below zero, and a paint that does not vary after all.
                'O': shape('O', paint(F.PaintVarRadialGradient, 300, 6, ColorLine=line(), x0=700, y0=700, r0=1, x1=800,
                                      y1=800, r1=2)),
                'P': shape('P', {'Format': F.PaintVarSolid, 'PaletteIndex': 2, 'Alpha': 0.5, 'VarIndexBase': 0xFFFFFFFF}),
            }
            boxes = {g(c): (-500, -600, 2500, 2600, base(4, 200)) for c in 'ABCGK'}
            moves = ot.DeltaSetIndexMap(); moves.mapping = [len(rows) - 1 - i for i in range(len(rows))]
            regions = buildVarRegionList([{'wght': (0, 1, 1)}, {'wght': (-1, -1, 0)}], ['wght'])
            store = buildVarStore(regions, [buildVarData([0, 1], rows[::-1], optimize=False)])
            font['COLR'] = buildCOLR({g(c): paint for c, paint in paints.items()}, version=1, varStore=store,
                                     varIndexMap=moves, glyphMap=font.getReverseGlyphMap(), clipBoxes=boxes)
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

    /** A variable font with COLR version 1: A to P are painted, and their paints vary with the weight, 100 to 900. */
    public static void variedPaints(Path file) {
        Tool.python(VARIED, RealFonts.named("Inter-roman.var.ttf"), file);
    }
}
