using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>A slip on a wall: words, and what is shown beside them.</summary>
/// <param name="Id">Of the tab that put it up (<see cref="Rooms.Ids"/>).</param>
/// <param name="Topic">Where it is now.</param>
/// <param name="PutUnder">Where it was put up.</param>
/// <param name="Author">Whose it is, by actor number.</param>
/// <param name="ByStaff">Whether a teacher put it up.</param>
/// <param name="Order">Smaller comes first in its topic.</param>
/// <param name="Language">A BCP 47 tag; empty if it is not known.</param>
/// <param name="Text">What it says; may be empty where something is shown. The first line may stand large.</param>
/// <param name="PutUpAt">When, server time in ms.</param>
/// <param name="DownBy">Who took it down, by actor number; 0 while it is up. Then only its author and teachers see it.</param>
/// <param name="Answers">What is said to it, by id; null for nothing.</param>
/// <param name="Attachments">What is shown beside its words; null for nothing.</param>
/// <param name="AskedToo">Of a question: who else asks it, by actor number, in order; null for nobody.</param>
/// <param name="AnsweredBy">Of a question: the answer that answers it; 0 for none. One that was taken down answers nothing.</param>
/// <param name="At">On a line that all share: where it stands; null if it is not placed.</param>
/// <param name="PutUpBy">Which teacher put up what its author said aloud, by actor number; 0: the author did.</param>
/// <param name="Spot">Where it lies on a free field; null if it was never put there.</param>
/// <param name="Responses">Who responded to it with which stamps, by the names of the stamps; null for nobody.</param>
/// <param name="Joined">Which card it has joined, which says the same (<see cref="Stacks"/>); 0 for none.</param>
/// <param name="From">From which cards it grew (<see cref="Growth"/>), by id; null for none.</param>
/// <param name="Poured">What was poured out here from another wall (<see cref="Pouring"/>): the same number wherever it was poured; 0 for nothing.</param>
/// <param name="Colour">One of the twelve of slips, from 1; 0: that of its topic.</param>
/// <param name="Unsealed">Where names are for nobody: why a teacher has learned whose it is (<see cref="Seal"/>); empty as long as nobody has.</param>
/// <param name="DownWhy">Why a teacher took it down, for its author; empty where nothing was said.</param>
/// <param name="Removed">Whether its author does not see it either; then they are told only that it is gone, and why.</param>
/// <param name="Locked">Whether students do not change, answer or move it (<see cref="LockCard"/>).</param>
public sealed record Card(
    long Id, long Topic, long PutUnder, int Author, bool ByStaff, double Order, string Language, string Text, long PutUpAt, int DownBy = 0, [Since(2), NullIsEmpty] ImmutableArray<Answer>? Answers = null,
    [Since(3), NullIsEmpty] ImmutableArray<Attachment>? Attachments = null, [Since(4), NullIsEmpty] ImmutableArray<int>? AskedToo = null, [Since(4)] long AnsweredBy = 0, [Since(5)] LineSpot? At = null, [Since(6)] int PutUpBy = 0, [Since(7)] FieldSpot? Spot = null, [Since(8), NullIsEmpty] ImmutableArray<Response>? Responses = null,
    [Since(8)] long Joined = 0, [Since(8), NullIsEmpty] ImmutableArray<long>? From = null, [Since(9)] long Poured = 0, [Since(9)] int Colour = 0, [Since(9)] string Unsealed = "", [Since(10)][property: JsonIgnore] string DownWhy = "", [Since(10)][property: JsonIgnore] bool Removed = false, [Since(11)][property: JsonIgnore] bool Locked = false)
{
    /// <summary>What is shown beside its words.</summary>
    [JsonIgnore]
    public ImmutableArray<Attachment> Shown => Attachments ?? [];

    /// <summary>What is said to it, by id.</summary>
    [JsonIgnore]
    public ImmutableArray<Answer> Said => Answers ?? [];

    /// <summary>Who else asks it, in order.</summary>
    [JsonIgnore]
    public ImmutableArray<int> Askers => AskedToo ?? [];

    /// <summary>Who responded to it with which stamps.</summary>
    [JsonIgnore]
    public ImmutableArray<Response> Responded => Responses ?? [];

    /// <summary>From which cards it grew, by id.</summary>
    [JsonIgnore]
    public ImmutableArray<long> Sources => From ?? [];

    /// <summary>Whether a teacher has learned whose it is, where names are for nobody.</summary>
    [JsonIgnore]
    public bool IsUnsealed => Unsealed.Length > 0;

    /// <summary>Whether it is a question that is answered.</summary>
    [JsonIgnore]
    public bool IsAnswered => AnsweredBy != 0 && Said.Any(a => a.Id == AnsweredBy && a.IsUp);

    /// <summary>Most cards of one person on a wall, those taken down included.</summary>
    public const int MostOfOne = 400;

    /// <summary>Most cards of a wall, those taken down included.</summary>
    public const int Most = 10_000;

    /// <summary>The names in the media store that it shows, and what is said to it.</summary>
    public IEnumerable<string> MediaNames() => Shown.SelectMany(a => a.MediaNames()).Concat(Said.SelectMany(a => a.MediaNames()));

    /// <summary>The same with files that are kept under other names, and what it would have shown in words where that is all there is; null if nothing is left of it.</summary>
    /// <param name="names">The new names by the old.</param>
    public Card? WithMedia(IReadOnlyDictionary<string, string> names)
    {
        ImmutableArray<Attachment> kept = [.. Shown.Select(a => a.WithMedia(names)).OfType<Attachment>()];
        var text = kept.IsEmpty && string.IsNullOrWhiteSpace(Text) ? Shown.Select(a => a.Said()).FirstOrDefault(s => s.Length > 0) ?? "" : Text;
        return kept.IsEmpty && !Statement.IsText(text) ? null : this with { Text = text, Attachments = kept.IsEmpty ? null : kept, Answers = Answers is { } said ? Talk.WithMedia(said, names) : null };
    }

    /// <summary>Whether it is up.</summary>
    [JsonIgnore]
    public bool IsUp => DownBy == 0;

    /// <summary>Most points and letters of what one person shows on a wall (<see cref="Attachment.Weight"/>).</summary>
    public const int MostShownByOne = 400_000;

    /// <summary>Most points and letters of what is shown on a wall.</summary>
    public const int MostShown = 4_000_000;

    /// <summary>Whether a card can say and show this: something, and not too much.</summary>
    public static bool CanSay(string text, ImmutableArray<Attachment> shown) =>
        (shown.IsEmpty ? Statement.IsText(text) : text.Length <= Limits.StatementLength) && Attachment.AreSound(shown);

    /// <summary>Whether a number can say where a card stands in its topic.</summary>
    public static bool IsOrder(double order) => double.IsFinite(order) && Math.Abs(order) <= Most * 2.0;

    /// <summary>The first thing that is wrong with a wall that is brought, in words; null if nothing is.</summary>
    public static string? FaultIn(WallPlan plan, ImmutableArray<Card> cards)
    {
        if (plan.Fault() is { } fault) return fault;
        if (cards.Length > Most) return $"There are {cards.Length} cards; a wall has at most {Most}.";
        if (cards.Where(c => c.Author != 0).GroupBy(c => (c.Author, c.ByStaff)).Any(g => g.Count() > MostOfOne)) return $"Somebody has more than {MostOfOne} cards.";
        if (cards.Select(c => c.Id).Distinct().Count() < cards.Length) return "Two cards have the same number.";
        if (cards.Sum(c => (long)Attachment.WeightOf(c.Shown)) > MostShown) return "More is shown on the wall than it can hold.";
        if (cards.Sum(c => c.Said.Length) > Answer.Most) return $"There are more than {Answer.Most} answers on the wall.";
        if (!Stacks.AreSound(cards)) return "A card has joined one that is not there, or that has joined another.";
        if (!Growth.AreSound(cards)) return $"A card grew from one that is not there, from more than {Growth.Most}, or in the end from itself.";
        for (var i = 0; i < cards.Length; i++)
        {
            var card = cards[i];
            if (card.Id is <= 0 or >= 1L << 53) return $"Card {i + 1} has no number.";
            if (!CanSay(card.Text, card.Shown) || !Statement.IsLanguage(card.Language)) return $"Card {i + 1} says nothing, or too much, or shows what this program does not know: at most {Limits.StatementLength} letters and {Attachment.Most} things beside them.";
            if (!Talk.AreSound(card.Said)) return $"An answer to card {i + 1} says nothing, or too much, or answers nothing that is there.";
            if (!Questions.AreSound(card)) return $"Card {i + 1} is asked by somebody twice, or by its author, or answered by nothing that is there.";
            if (!QuickResponses.AreSound(card)) return $"Card {i + 1} is responded to by somebody twice, by its author, or with a stamp that there is not.";
            if (!card.IsUp || !plan.Has(card.Topic) || card.PutUnder < 0 || !IsOrder(card.Order)) return $"Card {i + 1} stands nowhere on the wall.";
            if (card.PutUpBy < 0 || (card.PutUpBy > 0 && card.ByStaff)) return $"Card {i + 1} was put up for a teacher.";
            if (card.Poured is < 0 or >= 1L << 53 || (card.Poured > 0 && (!card.ByStaff || cards.Take(i).Any(c => c.Poured == card.Poured)))) return $"Card {i + 1} was poured out twice, or by a student.";
            if (card.Unsealed.Length > Seal.ReasonLength) return $"The seal of card {i + 1} was broken for too long a reason.";
            if (card.Colour is < 0 or > WallPlan.Colours) return $"Card {i + 1} has a colour that there is not.";
            if (card.Spot is { } lies && !FieldPlan.Holds(lies)) return $"Card {i + 1} lies where nothing can be.";
            if (card.At is { } spot && !LinePlan.CanBe(spot)) return $"Card {i + 1} is placed where nothing can be.";
            if (!Statement.IsMoment(card.PutUpAt)) return $"Nobody can say when card {i + 1} was put up.";
        }

        return null;
    }
}
