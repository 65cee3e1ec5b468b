using System.Collections.Immutable;
using Yardang.Core.Ink;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>A stroke of a drawing.</summary>
/// <param name="Points">On the sheet. Without times: a drawing tells nothing of how it was made.</param>
/// <param name="Style">Its colour, width and pen.</param>
public sealed record DrawnStroke(ImmutableArray<InkPoint> Points, Style Style)
{
    /// <inheritdoc/>
    public bool Equals(DrawnStroke? other) => other is not null && Style == other.Style && Points.AsSpan().SequenceEqual(other.Points.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Style, Points.Length);
}

/// <summary>A drawing, made with pens on a small sheet, <see cref="Width"/> by <see cref="Height"/>.</summary>
/// <param name="Strokes">In the order in which they lie.</param>
/// <param name="Description">What it shows, for those who cannot see it.</param>
[Kind(2)]
public sealed record DrawingAttachment(ImmutableArray<DrawnStroke> Strokes, string Description) : Attachment
{
    /// <summary>Width of the sheet, 1/100 mm.</summary>
    public const int Width = 8_000;

    /// <summary>Height of the sheet, 1/100 mm.</summary>
    public const int Height = 6_000;

    /// <summary>Most strokes.</summary>
    public const int MostStrokes = 400;

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Drawings;

    /// <inheritdoc/>
    public override bool IsValid() => Strokes.Length is > 0 and <= MostStrokes && Description.Length <= Limits.DescriptionLength && Strokes.All(IsValid);

    /// <inheritdoc/>
    public override int Weight() => Description.Length + Strokes.Sum(s => s.Points.Length);

    /// <inheritdoc/>
    public override string Said() => Description;

    /// <inheritdoc/>
    public bool Equals(DrawingAttachment? other) =>
        other is not null && string.Equals(Description, other.Description, StringComparison.Ordinal) && Strokes.SequenceEqual(other.Strokes);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Description, Strokes.Length);

    private static bool IsValid(DrawnStroke stroke) => stroke.Points.Length is > 0 and <= Limits.InkPoints
        && stroke.Points.All(p => p is { X: >= 0 and <= Width, Y: >= 0 and <= Height, Ms: 0 })
        && stroke.Style is { Width: > 0, Fill: 0, Looks: Looks.None or Looks.FeltTip or Looks.Highlighter, IsValid: true };
}
