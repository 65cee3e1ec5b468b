using SkiaSharp;
using Yardang.Core.Marks;

namespace Yardang.Rendering;

/// <summary>Draws what is shown on a page as what it is made of, as large as it was made.</summary>
internal static class ShownPainter
{
    private const double PerMille = 1_000;
    private const float Edge = 25;

    public static void Paint(SKCanvas canvas, ShownBody body, Mark mark, PaintSupport support)
    {
        var middle = body.Box().Middle;
        double width = body.Width * (mark.Scale?.X ?? PerMille) / PerMille, height = body.Height * (mark.Scale?.Y ?? PerMille) / PerMille;
        var parts = AttachmentMarks.OnPage(body.Shown, (int)(middle.X - (width / 2)), (int)(middle.Y - (height / 2)), Math.Max(3, (int)width), Math.Max(3, (int)height));
        // Nothing of it lies beyond its slip.
        canvas.Save();
        canvas.ClipRect(SKRect.Create((float)(middle.X - (width / 2)) - Edge, (float)(middle.Y - (height / 2)) - Edge, (float)width + (2 * Edge), (float)height + (2 * Edge)));
        foreach (var (part, style, scale) in parts) MarkPainters.Paint(canvas, mark with { Body = part, Style = style with { Colour = Math.Max(style.Colour, mark.Style.Colour) }, Scale = scale, Place = Place.AsDrawn, Cuts = [] }, support);
        canvas.Restore();
    }
}
