using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>When a mark counts as in a zone. The numbers are on the wire.</summary>
public enum ZoneRule
{
    /// <summary>Its middle is inside.</summary>
    Centre = 0,

    /// <summary>At least half of its area is inside.</summary>
    Half = 1,

    /// <summary>All of its area is inside.</summary>
    Whole = 2,
}

/// <summary>What a teacher expects of a zone. Like the answer key, it is never sent to a student.</summary>
/// <param name="Marks">Ids of marks that belong there.</param>
/// <param name="Answers">Words that count as right.</param>
/// <param name="Least">At least so many marks; null for any number.</param>
/// <param name="Most">At most so many marks; null for any number.</param>
public sealed record Expectation(ImmutableArray<long> Marks, ImmutableArray<string> Answers, [OrMinusOne] int? Least = null, [OrMinusOne] int? Most = null)
{
    /// <summary>Nothing is expected.</summary>
    public static readonly Expectation None = new([], []);

    /// <summary>Whether all is within its limits.</summary>
    [JsonIgnore]
    public bool IsValid => Marks.Length <= Limits.Expected && Answers.Length <= Limits.Expected && Answers.All(a => a.Length is > 0 and <= Limits.NameLength)
        && Least is null or (>= 0 and <= Limits.Marks) && Most is null or (>= 0 and <= Limits.Marks);

    /// <summary>Whether nothing is expected.</summary>
    [JsonIgnore]
    public bool IsNone => Marks.IsEmpty && Answers.IsEmpty && Least is null && Most is null;
}

/// <summary>A named region of a page. Zones may lie in one another and overlap.</summary>
/// <param name="Shape">Polygon or ellipse.</param>
/// <param name="Points">As of a <see cref="ShapeBody"/>.</param>
/// <param name="Name">What it is called; may be empty.</param>
/// <param name="Rule">What counts as in it.</param>
/// <param name="Expected">What belongs there; null for nothing, and for whoever may not know.</param>
[Kind(10)]
public sealed record ZoneBody(ShapeKind Shape, ImmutableArray<int> Points, Texts Name, ZoneRule Rule = ZoneRule.Centre, Expectation? Expected = null) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => Geometry.Box.Round(Spot.All(Points));

    /// <inheritdoc/>
    public override ImmutableArray<Spot> Corners() => Shape == ShapeKind.Polygon ? Spot.All(Points) : base.Corners();

    /// <inheritdoc/>
    public override ToolSet Tool(Looks looks) => ToolSet.Shape;

    /// <inheritdoc/>
    public override bool BelongsToPage() => true;

    /// <inheritdoc/>
    public override bool IsValid() => Shape is ShapeKind.Polygon or ShapeKind.Ellipse && new ShapeBody(Shape, Points).IsValid()
        && Name.IsWithin(Limits.NameLength) && Enum.IsDefined(Rule) && Expected is null or { IsValid: true };

    /// <summary>A zone is seen by its filling alone, so that it always has one.</summary>
    public override bool MayLook(Style style) => style.Fill > 0;

    /// <inheritdoc/>
    public override int Weight() => Points.Length + Name.ByLanguage.Values.Sum(name => name.Length);

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => Name.ByLanguage.Values;

    /// <inheritdoc/>
    public override Texts? Named() => Name;

    /// <inheritdoc/>
    public override MarkBody ReadIn(string? language, string written) => this with { Name = Texts.In(written, Name.In([language ?? written]) ?? Name.For(written)) };

    /// <inheritdoc/>
    public override MarkBody AsTold() => Expected is null ? this : this with { Expected = null };
}
