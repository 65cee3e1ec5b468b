using System.Collections.Immutable;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;

namespace Yardang.Core.Marks;

/// <summary>Which values marks and pages may have: the same for commands and for content from elsewhere (<c>ContentRules</c>).</summary>
internal static class Validity
{
    private const int MostStarters = 20;

    /// <summary>Whether a mark may be as it is.</summary>
    public static bool IsValid(MarkBody body, Style style, Place place, Scale? scale, ImmutableArray<int> cuts) =>
        body.IsValid() && IsValid(body, style) && IsValid(place) && (place.Turn == 0 || body.MayTurn()) && scale is null or { IsValid: true } && (cuts.IsEmpty || (body is InkBody ink && ink.HasCuts(cuts)));

    /// <summary>Whether a mark may look so.</summary>
    public static bool IsValid(MarkBody body, Style style) => style.IsValid && body.MayLook(style);

    /// <summary>Whether a mark may stand there.</summary>
    public static bool IsValid(Place p) => IsNear(p.X) && IsNear(p.Y) && p.Turn is >= 0 and < 36_000;

    /// <summary>Whether words are within their limits, in each language once.</summary>
    public static bool IsValid(Words words) => IsValid(words.Language, words.Text, words.Lines, words.Size)
        && (words.Also is not { } also || (also.Length <= Texts.MostLanguages && also.All(a => IsValid(a.Language, a.Text, a.Lines, a.Size))
            && also.Select(a => a.Language).Append(words.Language).Distinct(StringComparer.Ordinal).Count() == also.Length + 1));

    /// <summary>Whether a page may be as it is.</summary>
    public static bool IsValid(Page page) => page.Size.IsValid && page.Paper.IsValid && page.Stimulus is null or { IsValid: true } && page.Name.IsWithin(Limits.NameLength)
        && (page.Directions ?? Texts.None).IsWithin(Limits.DirectionsLength) && AreStarters(page.Starters ?? [])
        && page.Part is null or (> Rooms.RoomPlace.FirstPart and <= Rooms.RoomPlace.LastPart) && page.Shows is null or { IsValid: true };

    /// <summary>Whether sentences may begin so.</summary>
    public static bool AreStarters(ImmutableArray<Texts> starters) => starters.Length <= MostStarters && starters.All(s => !s.IsEmpty && s.IsWithin(Limits.NameLength));

    /// <summary>Whether a number can tell what lies in front. (NaN cannot.)</summary>
    public static bool IsOrder(double order) => Math.Abs(order) < 1e12;

    /// <summary>Whether something may be so wide or high, 1/100 mm.</summary>
    public static bool IsSize(int size) => size is > 0 and <= Limits.Reach;

    private static bool IsValid(string language, string text, ImmutableArray<string> lines, int size) => text.Length <= Limits.TextLength && language.Length <= 35
        && size is >= 100 and <= 20_000 && lines.Length <= Limits.TextLength && lines.Sum(l => l.Length) <= Limits.TextLength;

    /// <summary>Whether something may lie there and be so large.</summary>
    public static bool IsBox(int x, int y, int width, int height) => IsNear(x) && IsNear(y) && IsSize(width) && IsSize(height);

    /// <summary>Whether something may lie there, 1/100 mm.</summary>
    public static bool IsNear(int coordinate) => coordinate is >= -Limits.Reach and <= Limits.Reach;
}
