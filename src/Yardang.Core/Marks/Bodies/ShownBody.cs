using Yardang.Core.Attachments;
using Yardang.Core.Geometry;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Core.Wire;

namespace Yardang.Core.Marks;

/// <summary>Something recorded or attached that stands on a page: a voice, a film, a file, a page elsewhere. X, Y is its top left corner.</summary>
/// <param name="X">From the left.</param>
/// <param name="Y">From the top.</param>
/// <param name="Width">How wide it is shown.</param>
/// <param name="Height">How high it is shown.</param>
/// <param name="Shown">What it is, of the kinds of <see cref="PageShows.OnPages"/>.</param>
[Kind(11)]
public sealed record ShownBody(int X, int Y, int Width, int Height, Attachment Shown) : MarkBody
{
    /// <inheritdoc/>
    public override Box Box() => new(X, Y, Width, Height);

    /// <summary>None: what is shown is no tool's.</summary>
    public override ToolSet Tool(Looks looks) => ToolSet.None;

    /// <inheritdoc/>
    public override bool IsGivenOn(Page page, Looks looks) => page.Shows?.Lets(Shown) == true;

    /// <summary>Other words can be said to what it shows. Something else is put up anew.</summary>
    public override bool MayBecome(MarkBody other) =>
        other is ShownBody { Shown: var shown } && shown.Kind() == Shown.Kind() && shown.Lasts() == Shown.Lasts() && shown.MediaNames().SequenceEqual(Shown.MediaNames(), StringComparer.Ordinal);

    /// <inheritdoc/>
    public override bool IsValid() => Validity.IsBox(X, Y, Width, Height) && PageShows.OnPages.HasFlag(Shown.Kind()) && Shown.IsValid();

    /// <inheritdoc/>
    public override int Weight() => Shown.Weight();

    /// <inheritdoc/>
    public override IEnumerable<string> Said() => [Shown.Said()];

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => Shown.MediaNames();

    /// <inheritdoc/>
    public override MarkBody? WithMedia(IReadOnlyDictionary<string, string> names) => Shown.WithMedia(names) is { } shown ? this with { Shown = shown } : null;
}
