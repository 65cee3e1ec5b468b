using SkiaSharp;
using Yardang.Core.Marks;
using Yardang.Core.Pages;

namespace Yardang.Rendering;

/// <summary>What is needed to paint marks besides them.</summary>
/// <param name="Unit">In which lengths are shown.</param>
/// <param name="Picture">The pictures that there are, by their names in the media store.</param>
public sealed record PaintSupport(LengthUnit Unit, Func<string, SKImage?> Picture);

/// <summary>How each kind of mark is painted. Place and turn are the canvas's already; the painter sees to the scale.</summary>
public static class MarkPainters
{
    private static readonly Dictionary<Type, Action<SKCanvas, Mark, PaintSupport>> s_painters = [];

    static MarkPainters()
    {
        Add<InkBody>((canvas, ink, mark, _) => InkPainter.Paint(canvas, ink, mark));
        Add<PictureBody>((canvas, picture, mark, support) => PicturePainter.Paint(canvas, picture, mark, support.Picture(picture.Media)));
        Add<ShapeBody>((canvas, shape, mark, support) => ShapePainter.Paint(canvas, shape, mark, support.Unit));
        Add<ConnectorBody>((canvas, connector, mark, _) => ObjectPainter.Paint(canvas, connector, mark));
        Add<ZoneBody>((canvas, zone, mark, _) => ObjectPainter.Paint(canvas, zone, mark));
        Add<FormulaBody>((canvas, formula, mark, _) => ObjectPainter.Paint(canvas, formula, mark));
        Add<StampBody>((canvas, stamp, mark, _) => ObjectPainter.Paint(canvas, stamp, mark));
        Add<BubbleBody>((canvas, bubble, mark, _) => SlipPainter.Paint(canvas, bubble, mark));
        Add<TextBody>((canvas, text, mark, _) => SlipPainter.Paint(canvas, text, mark));
        Add<AnswerFieldBody>((canvas, field, mark, _) => AnswerPainter.Paint(canvas, field, mark));
        Add<FieldAnswerBody>((canvas, answer, mark, _) => AnswerPainter.Paint(canvas, answer, mark));
        Add<ShownBody>(ShownPainter.Paint);
        Add<NoteBody>((canvas, note, mark, _) => SlipPainter.Paint(canvas, note, mark));
    }

    /// <summary>Says how a kind is painted.</summary>
    public static void Add<TBody>(Action<SKCanvas, TBody, Mark, PaintSupport> paint)
        where TBody : MarkBody => s_painters[typeof(TBody)] = (canvas, mark, support) => paint(canvas, (TBody)mark.Body, mark, support);

    /// <summary>Whether it is known how a kind is painted.</summary>
    public static bool Knows(Type body) => s_painters.ContainsKey(body);

    internal static void Paint(SKCanvas canvas, Mark mark, PaintSupport support) => s_painters[mark.Body.GetType()](canvas, mark, support);
}
