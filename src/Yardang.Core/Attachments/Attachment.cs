using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>The kinds of attachments, as a set of them. The numbers are on the wire.</summary>
[Flags]
public enum AttachmentKinds
{
    /// <summary>Words alone.</summary>
    None = 0,

    /// <summary>Pictures.</summary>
    Pictures = 1,

    /// <summary>Drawings, made with pens on a small sheet.</summary>
    Drawings = 2,

    /// <summary>Formulas.</summary>
    Formulas = 4,

    /// <summary>Places on the teacher's map.</summary>
    Places = 8,

    /// <summary>Pages elsewhere.</summary>
    Links = 16,

    /// <summary>What was said, and recorded.</summary>
    Voices = 32,

    /// <summary>What was filmed.</summary>
    Films = 64,

    /// <summary>Files that are opened elsewhere.</summary>
    Files = 128,
}

/// <summary>
/// Something that is shown beside words: a closed set, one record for each kind, in this folder. All that the core has to know of a kind is what is asked for here.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(PictureAttachment), "picture")]
[JsonDerivedType(typeof(DrawingAttachment), "drawing")]
[JsonDerivedType(typeof(FormulaAttachment), "formula")]
[JsonDerivedType(typeof(PlaceAttachment), "place")]
[JsonDerivedType(typeof(LinkAttachment), "link")]
[JsonDerivedType(typeof(VoiceAttachment), "voice")]
[JsonDerivedType(typeof(FilmAttachment), "film")]
[JsonDerivedType(typeof(FileAttachment), "file")]
[Family(Flat = true)]
public abstract record Attachment
{
    /// <summary>What students may show where nobody has chosen.</summary>
    public const AttachmentKinds Usual = AttachmentKinds.Pictures | AttachmentKinds.Drawings;

    /// <summary>Every kind.</summary>
    public const AttachmentKinds AnyKind = AttachmentKinds.Pictures | AttachmentKinds.Drawings | AttachmentKinds.Formulas | AttachmentKinds.Places | AttachmentKinds.Links | AttachmentKinds.Voices | AttachmentKinds.Films | AttachmentKinds.Files;

    /// <summary>Most that are shown together.</summary>
    public const int Most = 4;

    /// <summary>Most points and letters of those that are shown together (<see cref="Weight"/>).</summary>
    public const int MostWeight = 40_000;

    /// <summary>What it is.</summary>
    public abstract AttachmentKinds Kind();

    /// <summary>Whether all is within its ranges.</summary>
    public abstract bool IsValid();

    /// <summary>How much there is of it, in points and letters, roughly.</summary>
    public abstract int Weight();

    /// <summary>What it says, in a line: to be found by, read aloud and put into tables. May be empty.</summary>
    public abstract string Said();

    /// <summary>How long it lasts, ms; 0 for what does not.</summary>
    public virtual int Lasts() => 0;

    /// <summary>The names in the media store that it shows.</summary>
    public virtual IEnumerable<string> MediaNames() => [];

    /// <summary>The same with files that are kept under other names; null if it shows one that is not kept.</summary>
    /// <param name="names">The new names by the old.</param>
    public virtual Attachment? WithMedia(IReadOnlyDictionary<string, string> names) => this;

    /// <summary>Whether these can be shown together.</summary>
    public static bool AreSound(ImmutableArray<Attachment> shown) => shown.Length <= Most && shown.All(a => a.IsValid()) && WeightOf(shown) <= MostWeight;

    /// <summary>How much there is of several.</summary>
    public static int WeightOf(ImmutableArray<Attachment> shown)
    {
        var weight = 0;
        foreach (var attachment in shown) weight += attachment.Weight();
        return weight;
    }
}
