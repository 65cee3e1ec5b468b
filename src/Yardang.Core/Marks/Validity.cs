using System.Buffers;
using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.Rooms;

namespace Yardang.Core.Marks;

/// <summary>Which values marks and pages may have: the same for commands and for content from elsewhere (<see cref="ContentRules"/>).</summary>
internal static class Validity
{
    private const int MostLanguages = 40;
    private const int MostStarters = 20;
    private const int Colours = 64;
    private const Looks AllLooks = (Looks)4_095;

    // Path data that can only draw.
    private static readonly SearchValues<char> s_outline = SearchValues.Create("MLQCZ 0123456789.-");

    /// <summary>Whether a mark may be as it is.</summary>
    public static bool IsValid(MarkBody body, Style style, Place place, Scale? scale, ImmutableArray<int> cuts) =>
        IsValid(body) && IsValid(body, style) && IsValid(place) && scale is null or { IsValid: true } && (cuts.IsEmpty || (body is InkBody ink && AreCuts(cuts, ink)));

    /// <summary>Whether what a mark is made of is within its ranges.</summary>
    public static bool IsValid(MarkBody body) => body switch
    {
        InkBody(var points) => points.Length is > 0 and <= Limits.InkPoints && points.All(p => Near(p.X) && Near(p.Y) && p.Ms is >= 0 and < 600_000),
        TextBody t => IsBox(t.X, t.Y, t.Width, t.Height) && IsValid(t.Words),
        NoteBody n => IsBox(n.X, n.Y, n.Width, n.Height) && IsValid(n.Words),
        ShapeBody s => IsValid(s),
        BubbleBody b => IsBox(b.X, b.Y, b.Width, b.Height) && Near(b.TipX) && Near(b.TipY) && IsValid(b.Words),
        PictureBody p => IsBox(p.X, p.Y, p.Width, p.Height) && MediaName.IsValid(p.Media)
            && p.Description.Length <= Limits.DescriptionLength && p.Text is null or { Length: <= Limits.PictureTextLength },
        FormulaBody f => IsBox(f.X, f.Y, f.Width, f.Height) && f.Source.Length is > 0 and <= Limits.FormulaLength
            && f.Outline.Length <= Limits.OutlineLength && f.Outline.AsSpan().IndexOfAnyExcept(s_outline) < 0,
        StampBody s => IsBox(s.X, s.Y, s.Width, s.Height) && Stamps.Find(s.Stamp) is not null,
        ConnectorBody c => c.From != c.To && c.Points.Length == 4 && c.Points.All(Near) && (c.Label is null || IsValid(c.Label)),
        ZoneBody z => z.Shape is ShapeKind.Polygon or ShapeKind.Ellipse && IsValid(new ShapeBody(z.Shape, z.Points)) && AllWithin(z.Name, Limits.NameLength)
            && Enum.IsDefined(z.Rule) && (z.Expected is null || IsValid(z.Expected)),
        _ => false,
    };

    /// <summary>Whether a mark may look so. A zone is seen by its filling alone, so that it always has one.</summary>
    public static bool IsValid(MarkBody body, Style style) => style.Colour is >= 0 and < Colours && style.Width is >= 0 and <= 2_000
        && style.Fill is >= 0 and <= Colours && (style.Looks & ~AllLooks) == Looks.None && !(body is ZoneBody && style.Fill == 0);

    /// <summary>Whether a mark may stand there.</summary>
    public static bool IsValid(Place p) => Near(p.X) && Near(p.Y) && p.Turn is >= 0 and < 36_000;

    /// <summary>Whether words are within their limits, in each language once.</summary>
    public static bool IsValid(Words words) => IsValid(words.Language, words.Text, words.Lines, words.Size)
        && (words.Also is not { } also || (also.Length <= MostLanguages && also.All(a => IsValid(a.Language, a.Text, a.Lines, a.Size))
            && also.Select(a => a.Language).Append(words.Language).Distinct(StringComparer.Ordinal).Count() == also.Length + 1));

    /// <summary>Whether a page may be as it is.</summary>
    public static bool IsValid(Page page) => page.Size.IsValid && page.Paper.IsValid && page.Stimulus is null or { IsValid: true } && AllWithin(page.Name, Limits.NameLength)
        && AllWithin(page.Directions ?? Texts.None, Limits.DirectionsLength) && AreStarters(page.Starters ?? []);

    /// <summary>Whether these lengths can be rubbed out of a stroke.</summary>
    public static bool AreCuts(ImmutableArray<int> cuts, InkBody ink) =>
        !cuts.IsEmpty && CutIntervals.IsNormal(cuts) && cuts.Length <= 2 * Limits.InkPoints && cuts[^1] <= Stroke.Length(ink.Points) + 1;

    /// <summary>Whether sentences may begin so.</summary>
    public static bool AreStarters(ImmutableArray<Texts> starters) => starters.Length <= MostStarters && starters.All(s => !s.IsEmpty && AllWithin(s, Limits.NameLength));

    /// <summary>Whether a number can tell what lies in front. (NaN cannot.)</summary>
    public static bool IsOrder(double order) => Math.Abs(order) < 1e12;

    /// <summary>Whether a text is short enough in each of not too many languages.</summary>
    public static bool AllWithin(Texts texts, int length) =>
        texts.ByLanguage.Count <= MostLanguages && texts.ByLanguage.All(t => t.Key.Length is > 0 and <= 35 && t.Value.Length <= length);

    /// <summary>Whether something may be so wide or high, 1/100 mm.</summary>
    public static bool IsSize(int size) => size is > 0 and <= Limits.Reach;

    private static bool IsValid(string language, string text, ImmutableArray<string> lines, int size) => text.Length <= Limits.TextLength && language.Length <= 35
        && size is >= 100 and <= 20_000 && lines.Length <= Limits.TextLength && lines.Sum(l => l.Length) <= Limits.TextLength;

    private static bool IsValid(Expectation e) => e.Marks.Length <= Limits.Expected && e.Answers.Length <= Limits.Expected
        && e.Answers.All(a => a.Length is > 0 and <= Limits.NameLength) && e.Least is null or (>= 0 and <= Limits.Marks) && e.Most is null or (>= 0 and <= Limits.Marks);

    private static bool IsValid(ShapeBody shape)
    {
        var corners = shape.Points.Length / 2;
        var enough = shape.Shape switch
        {
            ShapeKind.Line => corners >= 2,
            ShapeKind.Polygon => corners >= 3,
            ShapeKind.Ellipse => corners == 2,
            ShapeKind.Arc => corners == 3,
            _ => false,
        };
        return enough && shape.Points.Length % 2 == 0 && corners <= Limits.Corners && shape.Points.All(Near);
    }

    private static bool IsBox(int x, int y, int width, int height) => Near(x) && Near(y) && IsSize(width) && IsSize(height);

    private static bool Near(int coordinate) => coordinate is >= -Limits.Reach and <= Limits.Reach;
}
