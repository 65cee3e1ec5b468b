using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Geometry;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Shapes;

namespace Yardang.Core.Bringing;

/// <summary>A card made of what stands on a board: words, and beside them a drawing, pictures and formulas.</summary>
/// <param name="Text">The words of all, as they are read: from the top, and from the left.</param>
/// <param name="Attachments">What is shown beside them. Whether a card can hold that much is for the wall to say.</param>
public sealed record BroughtCard(string Text, ImmutableArray<Attachment> Attachments)
{
    // Round a drawing, 1/100 mm.
    private const int Margin = 300;

    /// <summary>The card; null if there is nothing among the marks that a card can say or show.</summary>
    /// <param name="marks">What is brought.</param>
    /// <param name="sizeOf">How many pixels wide and high a picture is, by its name in the media store; null if it is not there.</param>
    public static BroughtCard? Of(IEnumerable<Mark> marks, Func<string, (int Width, int Height)?> sizeOf)
    {
        var read = marks.Where(m => m.Stands).OrderBy(m => MarkGeometry.BoundsOf(m).Y).ThenBy(m => MarkGeometry.BoundsOf(m).X).ThenBy(m => m.Id).ToList();
        var text = string.Join('\n', read.Select(m => m.Words?.Text.Trim()).OfType<string>().Where(t => t.Length > 0));
        var shown = read.Select(m => Shown(m.Body, sizeOf)).OfType<Attachment>();
        if (Drawing(read) is { } drawing) shown = shown.Prepend(drawing);
        ImmutableArray<Attachment> attachments = [.. shown];
        return text.Length == 0 && attachments.IsEmpty ? null : new(text, attachments);
    }

    private static Attachment? Shown(MarkBody body, Func<string, (int Width, int Height)?> sizeOf) => body switch
    {
        PictureBody picture => sizeOf(picture.Media) is var (width, height) ? new PictureAttachment(picture.Media, width, height, picture.Description) : null,
        ShownBody shown => shown.Shown,
        FormulaBody formula => new FormulaAttachment(formula.Width, formula.Height, formula.Source, formula.Outline),
        _ => null,
    };

    // All ink together, as it lies to one another; made smaller if the sheet is too small for it, in its middle.
    private static DrawingAttachment? Drawing(IEnumerable<Mark> marks)
    {
        var strokes = marks.Where(m => m.Body is InkBody).SelectMany(m => Stroke.Remaining(((InkBody)m.Body).Points, m.Cuts)
            .Select(part => (m.Style, Points: part.Select(p => (At: MarkGeometry.OnPage(m, new(p.X, p.Y)), p.Pressure)).ToList()))).Where(s => s.Points.Count > 0).ToList();
        if (strokes.Count == 0) return null;
        var box = Box.Round([.. strokes.SelectMany(s => s.Points).Select(p => p.At)]);
        var scale = Math.Min(1, Math.Min(Room(DrawingAttachment.Width) / Math.Max(1, box.Width), Room(DrawingAttachment.Height) / Math.Max(1, box.Height)));
        return new(
            [
                .. strokes.Select(s => new DrawnStroke(
                    [.. s.Points.Select(p => new InkPoint(On(p.At.X, box.Middle.X, DrawingAttachment.Width), On(p.At.Y, box.Middle.Y, DrawingAttachment.Height), p.Pressure, 0))],
                    s.Style)),
            ],
            "");
        int On(double at, double middle, int side) => (int)Math.Clamp(Math.Round((side / 2.0) + ((at - middle) * scale)), 0, side);
        static double Room(int side) => side - (2 * Margin);
    }
}
