using System.Collections.Immutable;
using System.Reflection;
using System.Text.Json.Serialization;
using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>
/// What a mark is made of: a closed set, one record for each kind, in <c>Bodies</c>. All that the core has to know of a kind is what is asked for here.
/// Places and sizes are in page coordinates, 1/100 mm.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(InkBody), "ink")]
[JsonDerivedType(typeof(TextBody), "text")]
[JsonDerivedType(typeof(NoteBody), "note")]
[JsonDerivedType(typeof(BubbleBody), "bubble")]
[JsonDerivedType(typeof(ShapeBody), "shape")]
[JsonDerivedType(typeof(PictureBody), "picture")]
[JsonDerivedType(typeof(FormulaBody), "formula")]
[JsonDerivedType(typeof(StampBody), "stamp")]
[JsonDerivedType(typeof(ConnectorBody), "connector")]
[JsonDerivedType(typeof(ZoneBody), "zone")]
[JsonDerivedType(typeof(ShownBody), "shown")]
[JsonDerivedType(typeof(AnswerFieldBody), "answerField")]
[JsonDerivedType(typeof(FieldAnswerBody), "fieldAnswer")]
[Family(Flat = true)]
public abstract record MarkBody
{
    /// <summary>What the kinds are called in archives and in the browser.</summary>
    public static ImmutableArray<string> Kinds { get; } = [.. typeof(MarkBody).GetCustomAttributes<JsonDerivedTypeAttribute>().Select(k => (string)k.TypeDiscriminator!)];

    private static readonly Dictionary<Type, string> s_kinds = typeof(MarkBody).GetCustomAttributes<JsonDerivedTypeAttribute>().ToDictionary(k => k.DerivedType, k => (string)k.TypeDiscriminator!);

    /// <summary>What its kind is called, of <see cref="Kinds"/>.</summary>
    public string KindName() => s_kinds[GetType()];

    /// <summary>The box as it was drawn, without the width of its lines.</summary>
    public abstract Box Box();

    /// <summary>The corners as drawn that tell how far it reaches when it is turned.</summary>
    public virtual ImmutableArray<Spot> Corners() => Box().Corners;

    /// <summary>With which tool a student makes one that looks so.</summary>
    public abstract ToolSet Tool(Looks looks);

    /// <summary>Whether students may put one on a page that looks so.</summary>
    public virtual bool IsGivenOn(Page page, Looks looks) => !page.Withheld.HasFlag(Tool(looks));

    /// <summary>Whether it is a part of the page as its teacher designed it: printed, and put, changed and moved in drafts only.</summary>
    public virtual bool BelongsToPage() => false;

    /// <summary>Whether it can be turned.</summary>
    public virtual bool MayTurn() => true;

    /// <summary>Whether one that stands on a page can be made of this from now on: of the same kind, and what it is of the same.</summary>
    public virtual bool MayBecome(MarkBody other) => GetType() == other.GetType();

    /// <summary>Whether all is within its ranges.</summary>
    public abstract bool IsValid();

    /// <summary>Whether one may look so, beyond what holds for all marks.</summary>
    public virtual bool MayLook(Style style) => true;

    /// <summary>How much there is of it, in points and letters, roughly.</summary>
    public abstract int Weight();

    /// <summary>What is said on it, in all languages: to be found by, and read aloud.</summary>
    public abstract IEnumerable<string> Said();

    /// <summary>The words that are written in place; null for what has none.</summary>
    public virtual Words? Written() => null;

    /// <summary>The same with other words that take this much room. What has no words stays as it is.</summary>
    public virtual MarkBody With(Words words, int width, int height) => this;

    /// <summary>What it is called, in several languages; null for what has no name.</summary>
    public virtual Texts? Named() => null;

    /// <summary>As somebody reads it who reads this language; as it was written if it does not say it in this language, or if no language is asked for.</summary>
    /// <param name="language">The language that is asked for; null for as it was written.</param>
    /// <param name="written">The language in which names were written that do not know it themselves.</param>
    public virtual MarkBody ReadIn(string? language, string written)
    {
        if (Written()?.Also?.FirstOrDefault(a => string.Equals(a.Language, language, StringComparison.Ordinal)) is not { } said) return this;
        var box = Box();
        return With(new Words(said.Text, said.Language, said.Lines, said.Size), (int)box.Width, (int)box.Height);
    }

    /// <summary>The names in the media store that it shows.</summary>
    public virtual IEnumerable<string> MediaNames() => [];

    /// <summary>The same with files that are kept under other names; null if it shows one that is not kept.</summary>
    /// <param name="names">The new names by the old.</param>
    public virtual MarkBody? WithMedia(IReadOnlyDictionary<string, string> names) => this;

    /// <summary>The marks on which it hangs: it stands between them and can be seen while they can.</summary>
    public virtual IEnumerable<long> Ends() => [];

    /// <summary>The same on marks of other ids.</summary>
    public virtual MarkBody WithEnds(Func<long, long> renamed) => this;

    /// <summary>As everybody may know it: without what only teachers are told.</summary>
    public virtual MarkBody AsTold() => this;
}
