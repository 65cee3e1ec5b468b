using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Attachments;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Core.Walls;

/// <summary>Where the middle of a card lies on a free field: from the field's middle to the right and down, in units of which a card is <see cref="FieldPlan.CardWidth"/> wide.</summary>
public sealed record FieldSpot(int X, int Y);

/// <summary>Words for links that the teacher offers.</summary>
/// <param name="Id">Stays the same whatever they are; larger than 0.</param>
/// <param name="Text">Read between the two cards: "pushes on".</param>
public sealed record LinkWord(long Id, Texts Text);

/// <summary>The free field on which cards are connected.</summary>
/// <param name="Words">Words for links, in order.</param>
/// <param name="OnlyThese">Whether students link with these words alone; else also with their own.</param>
/// <param name="OwnOnly">Whether students link only their own cards, and the teachers'; else any.</param>
/// <param name="AnyMoves">Whether anybody moves any card on the field; else its author and teachers.</param>
/// <param name="Paper">What is ruled beneath the cards: plain, squared, ruled or dotted.</param>
/// <param name="Picture">A picture beneath the cards, its middle in that of the field: a map, or a diagram to be labelled; null for none.</param>
public sealed record FieldPlan(ImmutableArray<LinkWord> Words, bool OnlyThese = false, bool OwnOnly = false, bool AnyMoves = false, PaperKind Paper = PaperKind.Plain, MapPicture? Picture = null)
{
    /// <summary>Most words that are offered.</summary>
    public const int MostWords = 24;

    /// <summary>How wide the place of a card is, in units of the field.</summary>
    public const int CardWidth = 192;

    /// <summary>How high the place of a card is.</summary>
    public const int CardHeight = 112;

    /// <summary>How long the longer side of a picture beneath is.</summary>
    public const int PictureSide = 1_400;

    /// <summary>How far from the middle a card may lie.</summary>
    public const int Farthest = 20_000;

    /// <summary>A field to begin with.</summary>
    public static readonly FieldPlan Blank = new([]);

    /// <summary>Whether words are offered under this number.</summary>
    public bool Has(long word) => Words.Any(w => w.Id == word);

    /// <summary>Whether a card can lie there.</summary>
    public static bool Holds(FieldSpot spot) => Math.Abs(spot.X) <= Farthest && Math.Abs(spot.Y) <= Farthest;

    /// <summary>Where cards begin to be laid that nobody has placed: in the middle, or under the picture.</summary>
    [JsonIgnore]
    public FieldSpot Beginning => Picture is { } picture ? new(0, (SizeOf(picture).Height / 2) + CardHeight) : new(0, 0);

    /// <summary>How large a picture beneath is.</summary>
    public static (int Width, int Height) SizeOf(MapPicture picture) => picture.Height > picture.Width
        ? ((int)((long)PictureSide * picture.Width / picture.Height), PictureSide)
        : (PictureSide, (int)((long)PictureSide * picture.Height / picture.Width));

    /// <summary>The same with a file that is kept under another name; without the picture if it is not kept.</summary>
    /// <param name="names">The new names by the old.</param>
    public FieldPlan WithMedia(IReadOnlyDictionary<string, string> names) => this with { Picture = Picture?.WithMedia(names) };

    /// <summary>Whether all is within its ranges.</summary>
    internal bool IsValid() => Words.Length <= MostWords
        && Words.All(w => w.Id is > 0 and < 1L << 53 && w.Text.IsWithin(Link.TextLength)) && Words.Select(w => w.Id).Distinct().Count() == Words.Length
        && Paper is PaperKind.Plain or PaperKind.Squared or PaperKind.Ruled or PaperKind.Dotted
        && (Picture is null || Picture.AsPicture().IsValid());
}
