using System.Collections.Immutable;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.History;

// One plan in the making. Each step is worked out from the wall as the steps before it leave it.
internal sealed class WallRestore(WallThen then, Wall now, CardRestoreOrder order)
{
    private readonly ImmutableArray<Command>.Builder _commands = ImmutableArray.CreateBuilder<Command>();
    private readonly HashSet<long> _up = [.. now.Cards.Values.Where(c => c.IsUp).Select(c => c.Id)];
    private readonly HashSet<(long Card, long Answer)> _said = [.. now.Cards.Values.SelectMany(c => c.Said.Where(a => a.IsUp).Select(a => (c.Id, a.Id)))];
    private readonly HashSet<long> _changed = [];
    private readonly Tally _cards = new(), _answers = new(), _links = new();

    private bool AlsoChanges => order.Depth != RestoreDepth.Gone;

    private bool IsExact => order.Depth == RestoreDepth.Exactly;

    public CardRestoration Plan()
    {
        var meant = now.Cards.Values.Where(IsMeant).OrderBy(c => c.Id).ToList();
        var (stood, alike) = (new List<Card>(), new List<Card>());
        foreach (var card in meant)
        {
            if (!Restore(card)) continue;
            stood.Add(card);
            if (!card.IsUp || AlsoChanges) alike.Add(card);
        }

        RestoreJoined(alike);
        foreach (var card in now.Cards.Values.Where(c => _up.Contains(c.Id)).OrderBy(c => c.Id)) RestoreAnswers(card);
        foreach (var card in stood) RestoreFiled(card);
        RestoreLinks();
        _cards.Changed = _changed.Count;
        return new(_commands.ToImmutable(), _cards.Counts, _answers.Counts, _links.Counts);
    }

    // Whether it stands then, and again.
    private bool Restore(Card card)
    {
        if (Before(card.Id) is not { } before)
        {
            if (!card.IsUp || !IsExact) return false;
            _commands.Add(new TakeCardDown(card.Id, AsItsAuthor: then.Cards.GetValueOrDefault(card.Id) is { ByStaff: false } known && known.DownBy == known.Author));
            _up.Remove(card.Id);
            _cards.Away++;
            return false;
        }

        if (!card.IsUp)
        {
            if (IsByTeacher(card.ByStaff, card.DownBy, card.Author))
            {
                _cards.Down++;
                return false;
            }

            _commands.Add(new PutCardBack(card.Id));
            _commands.AddRange(Differences(before, card, now.Plan));
            _up.Add(card.Id);
            _cards.Back++;
        }
        else if (AlsoChanges)
        {
            List<Command> differences = [.. Differences(before, card, now.Plan)];
            _commands.AddRange(differences);
            if (differences.Count > 0) _changed.Add(card.Id);
        }

        return true;
    }

    // What had joined another stands alone first, so that no two wait for each other.
    private void RestoreJoined(List<Card> cards)
    {
        var joined = now.Cards.Values.ToDictionary(c => c.Id, c => c.Joined);
        Card? Stood(long id) => _up.Contains(id) ? Before(id) : null;
        var others = cards.Select(card => (Card: card, Onto: Stacks.RootOf(Before(card.Id)!, Stood).Id)).Select(c => c.Onto == c.Card.Id ? (c.Card, 0) : c)
            .Where(c => c.Onto != (_up.Contains(c.Card.Joined) ? c.Card.Joined : 0)).ToList();
        foreach (var (card, _) in others.Where(o => _up.Contains(o.Card.Joined))) Join(card, 0);
        foreach (var (card, onto) in others.Where(o => o.Onto != 0 && MayStandTogether(o.Card, o.Onto)))
        {
            var isFree = joined[onto] == 0 && joined.All(j => j.Value != card.Id || !_up.Contains(j.Key));
            if (isFree) Join(card, onto);
        }

        void Join(Card card, long onto)
        {
            _commands.Add(new JoinCard(card.Id, onto));
            joined[card.Id] = onto;
            if (card.IsUp) _changed.Add(card.Id);
        }
    }

    // While each sees only their own, whose card a classmate's has joined is nothing that its author may know.
    private bool MayStandTogether(Card card, long onto) =>
        now.Plan.TopicsStand && (!now.Plan.Rules.OwnFirst || now.Cards[onto] is var other && (other.ByStaff || (other.Author == card.Author && !card.ByStaff)));

    private void RestoreAnswers(Card card)
    {
        var before = then.Cards.GetValueOrDefault(card.Id);
        foreach (var answer in card.Said.Where(a => IsMeant(card, a)))
        {
            var known = before is null ? null : Talk.Find(before.Said, answer.Id);
            if (known is not { IsUp: true })
            {
                if (!answer.IsUp || !IsExact) continue;
                _commands.Add(new TakeAnswerDown(card.Id, answer.Id, AsItsAuthor: known is { ByStaff: false } && known.DownBy == known.Author));
                _said.Remove((card.Id, answer.Id));
                _answers.Away++;
            }
            else if (!answer.IsUp)
            {
                if (IsByTeacher(answer.ByStaff, answer.DownBy, answer.Author))
                {
                    _answers.Down++;
                    continue;
                }

                _commands.Add(new PutAnswerBack(card.Id, answer.Id));
                if (IsOther(known, answer)) _commands.Add(Said(card, known));
                _said.Add((card.Id, answer.Id));
                _answers.Back++;
            }
            else if (AlsoChanges && IsOther(known, answer))
            {
                _commands.Add(Said(card, known));
                _answers.Changed++;
            }
        }
    }

    private static bool IsOther(Answer before, Answer now) => !string.Equals(before.Text, now.Text, StringComparison.Ordinal);

    private static RewordAnswer Said(Card card, Answer known) => new(card.Id, known.Id, known.Language, known.Text);

    // Of a question, what answers it: as far as that stands there again.
    private void RestoreFiled(Card card)
    {
        if (now.Plan.Purpose != Purpose.Ask || (card.IsUp && !AlsoChanges)) return;
        bool IsSaid(long answer) => _said.Contains((card.Id, answer));
        var answer = Before(card.Id) is { IsAnswered: true } before && IsSaid(before.AnsweredBy) ? before.AnsweredBy : 0;
        if (answer == card.AnsweredBy || (answer == 0 && !IsSaid(card.AnsweredBy))) return;
        _commands.Add(new FileQuestion(card.Id, answer));
        if (card.IsUp) _changed.Add(card.Id);
    }

    private void RestoreLinks()
    {
        if (now.Plan.FieldShown is null) return;
        var links = now.Links.All.Values.Where(l => _up.Contains(l.From) && _up.Contains(l.To)).ToList();
        var pairs = links.Where(l => l.IsUp).Select(l => (l.From, l.To)).ToHashSet();
        foreach (var link in links.Where(l => IsExact && l.IsUp && IsMeant(l) && then.Links.GetValueOrDefault(l.Id) is not { IsUp: true }))
        {
            _commands.Add(new TakeLinkDown(link.Id));
            pairs.Remove((link.From, link.To));
            _links.Away++;
        }

        foreach (var link in links.Where(IsMeant))
        {
            if (then.Links.GetValueOrDefault(link.Id) is not { IsUp: true } known) continue;
            if (!link.IsUp && IsByTeacher(link.ByStaff, link.DownBy, link.Author))
            {
                _links.Down++;
            }
            else if (!link.IsUp && pairs.Add((link.From, link.To)))
            {
                _commands.Add(new PutLinkBack(link.Id));
                _ = ChangeLink(known, link, pairs);
                _links.Back++;
            }
            else if (link.IsUp && AlsoChanges && ChangeLink(known, link, pairs))
            {
                _links.Changed++;
            }
        }
    }

    private bool ChangeLink(Link before, Link link, HashSet<(long From, long To)> pairs)
    {
        var isOther = (before.Word != link.Word || !string.Equals(before.Text, link.Text, StringComparison.Ordinal)) && (before.Word == 0 || now.Plan.FieldShown!.Has(before.Word));
        if (isOther) _commands.Add(new RewordLink(link.Id, before.Word, before.Language, before.Text));
        var isTurned = before.From == link.To && before.To == link.From && pairs.Add((link.To, link.From));
        if (isTurned) _commands.Add(new ReverseLink(link.Id));
        if (isTurned) pairs.Remove((link.From, link.To));
        return isOther || isTurned;
    }

    private Card? Before(long id) => then.Cards.GetValueOrDefault(id) is { IsUp: true } card ? card : null;

    private static bool IsByTeacher(bool byStaff, int downBy, int author) => byStaff || downBy != author;

    private bool IsHere(Card card) => (order.Topic is not { } topic || (Before(card.Id)?.Topic ?? card.Topic) == topic) && (order.Card is not { } one || one == card.Id);

    private bool IsMeant(Card card) => IsHere(card) && (order.Person == 0 || (card.Author == order.Person && !card.ByStaff)) && (order.Only is not { } only || only.Cards.Contains(card.Id));

    private bool IsMeant(Card card, Answer answer) =>
        IsHere(card) && (order.Person == 0 || (answer.Author == order.Person && !answer.ByStaff)) && (order.Only is not { } only || only.Answers.Contains((card.Id, answer.Id)));

    private bool IsMeant(Link link) => (IsHere(now.Cards[link.From]) || IsHere(now.Cards[link.To]))
        && (order.Person == 0 || (link.Author == order.Person && !link.ByStaff)) && (order.Only is not { } only || only.Links.Contains(link.Id));

    private static IEnumerable<Command> Differences(Card before, Card now, WallPlan plan)
    {
        if (!string.Equals(before.Text, now.Text, StringComparison.Ordinal) || !before.Shown.SequenceEqual(now.Shown)) yield return new RewordCard(now.Id, before.Language, before.Text, before.Attachments);
        if ((before.Topic != now.Topic || before.Order != now.Order) && plan.Has(before.Topic)) yield return new MoveCard(now.Id, before.Topic, before.Order);
        if (before.Colour != now.Colour) yield return new ColourCard(now.Id, before.Colour);
        if (before.Spot is { } spot && spot != now.Spot && plan.FieldShown is not null) yield return new LayCard(now.Id, spot);
        if (before.At != now.At && plan.LineShown is { Together: true } line && (before.At is not { } at || line.Holds(at))) yield return new PlaceCard(now.Id, before.At);
    }

    private sealed class Tally
    {
        public int Back, Changed, Away, Down;

        public RestoreCounts Counts => new(Back, Changed, Away, Down);
    }
}
