using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Walls.WallScript;

namespace Yardang.Core.Tests.Walls;

/// <summary>Stamps on others' cards: which, by whom, and who sees whose they are.</summary>
public class QuickResponseTests
{
    private static readonly WallRules s_stamped = new(Responses: [new("idea", Texts.In("en", "New to me")), new("question", Texts.None)]);

    [Fact]
    public void Each_responds_with_several_stamps_once_with_each_and_may_take_one_back()
    {
        var wall = new WallScript(s_stamped);
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Ben, new RespondToCard(card, "idea", true));
        wall.Do(Ben, new RespondToCard(card, "question", true));
        wall.Do(Teacher, new RespondToCard(card, "idea", true));
        Refused(Refusal.ChangedSince, wall.Do(Ben, new RespondToCard(card, "idea", true)));
        Assert.Equal([("idea", 2), ("question", 1)], wall.Wall.Cards[card].Responded.Select(r => (r.Stamp, r.Count)));
        wall.Do(Ben, new RespondToCard(card, "idea", false));
        wall.Do(Ben, new RespondToCard(card, "question", false));
        Refused(Refusal.ChangedSince, wall.Do(Ben, new RespondToCard(card, "question", false)));
        Assert.Equal([new Response("idea", [], ByStaff: true)], wall.Wall.Cards[card].Responded);
        wall.Do(Teacher, new RespondToCard(card, "idea", false));
        Assert.Null(wall.Wall.Cards[card].Responses);
    }

    [Fact]
    public void Nobody_responds_to_their_own_nor_with_what_is_not_offered_nor_while_pens_are_down()
    {
        var wall = new WallScript(s_stamped);
        var (card, teachers) = (wall.PutUp(Maya, "arches push"), wall.PutUp(Teacher, "look"));
        Refused(Refusal.NotAllowed, wall.Do(Maya, new RespondToCard(card, "idea", true)));
        Refused(Refusal.NotAllowed, wall.Do(Teacher, new RespondToCard(teachers, "idea", true)));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new RespondToCard(card, "look", true)));
        Refused(Refusal.NotFound, wall.Do(Ben, new RespondToCard(99, "idea", true)));
        Assert.IsType<Decision.Accepted>(wall.Do(Ben, new RespondToCard(teachers, "idea", true)));
        wall.Allowed = new Allowed(PensDown: true);
        Refused(Refusal.TooLate, wall.Do(Ben, new RespondToCard(card, "idea", true)));
        wall.Allowed = Allowed.Everything;
        wall.Do(Teacher, new SetPlan(Plan(s_stamped with { OwnFirst = true })));
        Refused(Refusal.NotFound, wall.Do(Ben, new RespondToCard(card, "idea", true)));
        Refused(Refusal.NotAllowed, wall.Do(Ben, new RespondToCard(teachers, "question", true)));
    }

    [Fact]
    public void Where_names_are_hidden_nobody_is_told_who_responded()
    {
        var wall = new WallScript(s_stamped with { Names = NamesTo.Teachers });
        var card = wall.PutUp(Maya, "arches push");
        wall.Do(Teacher, new LetCardsOut());
        wall.Do(Ben, new RespondToCard(wall.Wall.Veil.Over(Ben, card), "idea", true));
        Assert.Empty(CardOf(wall, Maya).Responded);
        wall.Do(Teacher, new LetCardsOut());
        Assert.Equal([new Response("idea", [0], ByStaff: false)], CardOf(wall, Maya).Responded);
        Assert.Equal([new Response("idea", [Ben.Number], ByStaff: false)], CardOf(wall, Ben).Responded);
        Assert.Equal([new Response("idea", [Ben.Number], ByStaff: false)], CardOf(wall, Teacher).Responded);
    }

    [Fact]
    public void A_plan_offers_six_stamps_at_most_each_of_ours_and_once()
    {
        Assert.NotNull(Plan(new(Responses: [new("heart", Texts.None)])).Fault());
        Assert.NotNull(Plan(new(Responses: [new("idea", Texts.None), new("idea", Texts.None)])).Fault());
        Assert.NotNull(Plan(new(Responses: [new("idea", Texts.In("en", new string('x', QuickResponse.SaysLength + 1)))])).Fault());
        Assert.NotNull(Plan(new(Responses: [.. Core.Marks.Stamps.All.Take(7).Select(s => new QuickResponse(s.Name, Texts.None))])).Fault());
        Assert.Null(Plan(new(Responses: [.. Core.Marks.Stamps.All.Take(6).Select(s => new QuickResponse(s.Name, Texts.None))])).Fault());
    }

    [Fact]
    public void What_is_brought_is_nobodys_own_response_nor_one_that_cannot_be()
    {
        Response[] wrong = [new("idea", [Maya.Number], ByStaff: false), new("heart", [3], ByStaff: false), new("idea", [], ByStaff: false), new("idea", [3, 3], ByStaff: false), new("idea", [0], ByStaff: false)];
        foreach (var response in wrong) Assert.NotNull(Card.FaultIn(Plan(), [With(response)]));
        Assert.NotNull(Card.FaultIn(Plan(), [With(new Response("idea", [3], ByStaff: false), new Response("idea", [4], ByStaff: false))]));
        Assert.Null(Card.FaultIn(Plan(), [With(new Response("idea", [3, 4], ByStaff: true))]));

        static Card With(params Response[] responses) => new(5, 11, 11, Maya.Number, ByStaff: false, 1, "en", "arches push", 1_000, Responses: [.. responses]);
    }

    private static Card CardOf(WallScript wall, Actor reader) => ((WallSnapshot)Snapshots.Of(wall.Wall, reader)).Cards.Single();

    private static void Refused(Refusal reason, Decision decision) => Assert.Equal(reason, Assert.IsType<Decision.Refused>(decision).Reason);
}
