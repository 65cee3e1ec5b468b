using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Attachments;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>A card of the teacher's that is up from the beginning.</summary>
/// <param name="Id">Of the card on every wall that is made of the plan, from 1: no client's.</param>
/// <param name="Topic">Where it stands.</param>
/// <param name="Text">What it says.</param>
/// <param name="Shown">What is shown beside its words; null for nothing.</param>
public sealed record GivenCard(long Id, long Topic, Texts Text, [Since(2), NullIsEmpty] ImmutableArray<Attachment>? Shown = null)
{
    /// <summary>Most of a wall.</summary>
    public const int Most = 60;

    /// <summary>The largest number.</summary>
    public const int LargestId = 10_000;

    /// <summary>What is shown beside its words.</summary>
    [JsonIgnore]
    public ImmutableArray<Attachment> Shows => Shown ?? [];

    /// <summary>The same with files that are kept under other names. What is not kept is not shown.</summary>
    /// <param name="names">The new names by the old.</param>
    public GivenCard WithMedia(IReadOnlyDictionary<string, string> names)
    {
        ImmutableArray<Attachment> kept = [.. Shows.Select(a => a.WithMedia(names)).OfType<Attachment>()];
        return this with { Shown = kept.IsEmpty ? null : kept };
    }

    /// <summary>The card as it is put up, in the first of its languages; null if it says and shows nothing.</summary>
    /// <param name="order">Its place under its topic.</param>
    internal Card? PutUp(int order)
    {
        var (language, text) = Text.ByLanguage.Count > 0 ? Text.ByLanguage.First() : new("", "");
        return Card.CanSay(text, Shows) ? new(Id, Topic, Topic, Actor.Owner.Number, ByStaff: true, order, language, text, PutUpAt: 0, Attachments: Shown) : null;
    }

    /// <summary>Whether a card says still what was given.</summary>
    internal bool Says(Card card) => card.Id == Id && card.ByStaff && Text.ByLanguage.TryGetValue(card.Language, out var text) && string.Equals(text, card.Text, StringComparison.Ordinal);

    /// <summary>Whether cards can be given so: each with a number of its own, on the wall, and not too much.</summary>
    internal static bool AreSound(ImmutableArray<GivenCard> given, Func<long, bool> has) => given.Length <= Most
        && given.Select(g => g.Id).Distinct().Count() == given.Length
        && given.All(g => g.Id is > 0 and <= LargestId && has(g.Topic) && g.Text.IsWithin(Limits.StatementLength) && Attachment.AreSound(g.Shows));
}
