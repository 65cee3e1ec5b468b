using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

/// <summary>The ids of cards, answers and links in what is said of them: for those who know them by other numbers (<see cref="Veil"/>).</summary>
public static class WallIds
{
    /// <summary>A command with other ids. What is not for walls stays as it is, and is refused there.</summary>
    public static Command WithIds(this Command command, Func<long, long> id) => command switch
    {
        PutUpCard c => c with { Id = id(c.Id), Beside = id(c.Beside), Onto = id(c.Onto), From = c.From is { } from ? [.. from.Select(id)] : null },
        TakeStance c => c with { Moved = id(c.Moved) },
        ReadCard c => c with { Card = id(c.Card) },
        BreakSeal c => c with { Card = id(c.Card) },
        ColourCard c => c with { Card = id(c.Card) },
        LockCard c => c with { Card = id(c.Card) },
        JoinCard c => c with { Card = id(c.Card), Onto = id(c.Onto) },
        RewordCard c => c with { Id = id(c.Id) },
        MoveCard c => c with { Id = id(c.Id) },
        TakeCardDown c => c with { Id = id(c.Id) },
        PutCardBack c => c with { Id = id(c.Id) },
        GiveAnswer c => c with { About = id(c.About), Id = id(c.Id), To = id(c.To) },
        RewordAnswer c => c with { About = id(c.About), Id = id(c.Id) },
        TakeAnswerDown c => c with { About = id(c.About), Id = id(c.Id) },
        PutAnswerBack c => c with { About = id(c.About), Id = id(c.Id) },
        RaiseConcern c => c with { About = id(c.About), Answer = id(c.Answer) },
        SettleConcerns c => c with { About = id(c.About), Answer = id(c.Answer) },
        JudgeCard c => c with { Card = id(c.Card) },
        RespondToCard c => c with { Card = id(c.Card) },
        AskToo c => c with { Card = id(c.Card) },
        FileQuestion c => c with { Card = id(c.Card), Answer = id(c.Answer) },
        PlaceCard c => c with { Card = id(c.Card) },
        LayCard c => c with { Card = id(c.Card) },
        LayCards c => c with { Spots = [.. c.Spots.Select(s => s with { Card = id(s.Card) })] },
        LinkCards c => c with { Id = id(c.Id), From = id(c.From), To = id(c.To) },
        RewordLink c => c with { Id = id(c.Id) },
        ReverseLink c => c with { Id = id(c.Id) },
        TakeLinkDown c => c with { Id = id(c.Id) },
        PutLinkBack c => c with { Id = id(c.Id) },
        _ => command,
    };

    /// <summary>An event with other ids. Those that carry whole cards and links are made anew for each reader (<c>Visibility</c>).</summary>
    public static RoomEvent WithIds(this RoomEvent happened, Func<long, long> id) => happened switch
    {
        CardReworded e => e with { Id = id(e.Id) },
        ReadingGiven e => e with { Cards = [.. e.Cards.Select(id).Order()] },
        CardRead e => e with { Card = id(e.Card) },
        SealBroken e => e with { Card = id(e.Card) },
        CardColoured e => e with { Card = id(e.Card) },
        CardLocked e => e with { Card = id(e.Card) },
        CardJoined e => e with { Card = id(e.Card), Onto = id(e.Onto) },
        CardMoved e => e with { Id = id(e.Id) },
        CardTakenDown e => e with { Id = id(e.Id) },
        AnswerReworded e => e with { About = id(e.About), Id = id(e.Id) },
        AnswerTakenDown e => e with { About = id(e.About), Id = id(e.Id) },
        ConcernRaised e => e with { About = id(e.About), Answer = id(e.Answer) },
        CardJudged e => e with { Card = id(e.Card) },
        CardRespondedTo e => e with { Card = id(e.Card) },
        AskedToo e => e with { Card = id(e.Card) },
        QuestionFiled e => e with { Card = id(e.Card), Answer = id(e.Answer) },
        CardPlaced e => e with { Card = id(e.Card) },
        CardPlacedAlone e => e with { Card = id(e.Card) },
        CardLaid e => e with { Card = id(e.Card) },
        FieldLaid e => e with { Spots = [.. e.Spots.Select(s => s with { Card = id(s.Card) })] },
        LinkReworded e => e with { Id = id(e.Id) },
        LinkReversed e => e with { Id = id(e.Id) },
        LinkTakenDown e => e with { Id = id(e.Id) },
        ResultsShown e => e with { Results = [.. e.Results.Select(r => r with { Card = id(r.Card) }).OrderBy(r => r.Round).ThenBy(r => r.Card)] },
        StanceTaken e => e with { Moved = id(e.Moved) },
        StancesSteered e => e with { Shifts = e.Shifts?.WithIds(id) },
        OrderShown e => e with { Order = e.Order.WithIds(id) },
        _ => happened,
    };

    /// <summary>The order of a class with other ids.</summary>
    public static ClassOrder WithIds(this ClassOrder order, Func<long, long> id) => order with { Places = [.. order.Places.Select(p => p with { Card = id(p.Card) })] };
}
