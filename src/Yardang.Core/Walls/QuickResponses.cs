using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>A stamp with which cards can be responded to, and what it is to say.</summary>
/// <param name="Stamp">The name of the stamp (<see cref="Stamps"/>).</param>
/// <param name="Says">What it says, in the teacher's words; none for what the stamp is called.</param>
public sealed record QuickResponse(string Stamp, Texts Says)
{
    /// <summary>Most of a wall.</summary>
    public const int Most = 6;

    /// <summary>Most letters of what one says.</summary>
    public const int SaysLength = 60;

    /// <summary>Whether some can be offered together: each a stamp of its own.</summary>
    internal static bool AreSound(ImmutableArray<QuickResponse> responses) => responses.Length <= Most
        && responses.All(r => Stamps.Find(r.Stamp) is not null && r.Says.IsWithin(SaysLength)) && responses.Select(r => r.Stamp).Distinct(StringComparer.Ordinal).Count() == responses.Length;
}

/// <summary>Who responded to a card with a stamp.</summary>
/// <param name="Stamp">The name of the stamp.</param>
/// <param name="People">Students, by actor number, in order.</param>
/// <param name="ByStaff">Whether a teacher did.</param>
public sealed record Response(string Stamp, ImmutableArray<int> People, bool ByStaff)
{
    /// <summary>How many did.</summary>
    [JsonIgnore]
    public int Count => People.Length + (ByStaff ? 1 : 0);

    /// <inheritdoc/>
    public bool Equals(Response? other) => other is not null && (Stamp, ByStaff) == (other.Stamp, other.ByStaff) && People.AsSpan().SequenceEqual(other.People.AsSpan());

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Stamp, People.Length, ByStaff);
}

/// <summary>Respond to a card with a stamp, or with <c>On</c> false not any more.</summary>
[Kind(70)]
public sealed record RespondToCard(long Card, string Stamp, bool On) : Command;

/// <summary>The actor responds to a card with a stamp, or does not any more. <c>Whose</c>: the card's author where classmates do not see the card; else 0.</summary>
[Kind(103)]
public sealed record CardRespondedTo(long Card, string Stamp, bool On, int Whose = 0) : RoomEvent
{
    /// <inheritdoc/>
    public override bool Names(int person) => person == Whose;
}

/// <summary>Stamps on cards: several from each, one of each kind.</summary>
public static class QuickResponses
{
    /// <summary>Most people who respond to a card with one stamp.</summary>
    public const int MostPeople = 1_000;

    /// <summary>A card to which somebody responds, or does not any more.</summary>
    internal static Card RespondedTo(this Card card, string stamp, int person, bool byStaff, bool on)
    {
        var before = card.Responded.FirstOrDefault(r => string.Equals(r.Stamp, stamp, StringComparison.Ordinal)) ?? new(stamp, [], ByStaff: false);
        var after = byStaff ? before with { ByStaff = on } : before with { People = on ? [.. before.People.Remove(person).Append(person).Order()] : before.People.Remove(person) };
        var rest = card.Responded.Where(r => !string.Equals(r.Stamp, stamp, StringComparison.Ordinal));
        ImmutableArray<Response> all = [.. (after.Count > 0 ? rest.Append(after) : rest).OrderBy(r => r.Stamp, StringComparer.Ordinal)];
        return card with { Responses = all.IsEmpty ? null : all };
    }

    /// <summary>Whether what is brought with a card can be so.</summary>
    internal static bool AreSound(Card card) => card.Responded.Select(r => r.Stamp).Distinct(StringComparer.Ordinal).Count() == card.Responded.Length
        && card.Responded.All(r => Stamps.Find(r.Stamp) is not null && r.Count > 0 && r.People.Length <= MostPeople && r.People.All(p => p > 0 && (card.ByStaff || p != card.Author)) && r.People.Distinct().Count() == r.People.Length);

    // Nobody responds to their own. While each sees only their own, a response to a teacher's card would be seen by all.
    internal static Refusal? WhyNot(RespondToCard respond, Card card, WallPlan plan, Actor actor)
    {
        var isOwn = card.ByStaff == actor.IsStaff && (actor.IsStaff || card.Author == actor.Number);
        if (isOwn || plan.Rules.Stamps.All(r => !string.Equals(r.Stamp, respond.Stamp, StringComparison.Ordinal)) || (plan.Rules.OwnFirst && card.ByStaff)) return Refusal.NotAllowed;
        var there = card.Responded.FirstOrDefault(r => string.Equals(r.Stamp, respond.Stamp, StringComparison.Ordinal));
        if ((there is not null && (actor.IsStaff ? there.ByStaff : there.People.Contains(actor.Number))) == respond.On) return Refusal.ChangedSince;
        return respond.On && !actor.IsStaff && there?.People.Length >= MostPeople ? Refusal.Full : null;
    }
}
