using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Rooms;

/// <summary>What a teacher may want to look at on a wall, in sentences: its cards, and how they were scored. Students are never told.</summary>
public sealed class WorthALook(RoomHosts hosts, AccessResolver access, LessonPeople people, IStringLocalizer<UiTexts> texts)
{
    private const int TitleLength = 40;

    private const int MostTakenUp = 5;

    /// <summary>A card, and one that says nearly the same; 0 for none.</summary>
    private sealed record Line(string Says, long Card, long Same);

    /// <summary>Cards that hardly say anything, that say the same, that seem to stand elsewhere; and the ideas that others took up most.</summary>
    public async Task<IResult> CardsAsync(HttpContext context, Guid room)
    {
        if (await TeachersAsync(context, room) is not { } host) return Results.NotFound();
        (WallPlan Plan, List<Card> Up)? found = null;
        await host.LookAsync(r => found = r is Wall whole && HiddenNames.AsTeachersKnow(whole) is { } wall ? (wall.Plan, [.. wall.Cards.Values.Where(c => c.IsUp)]) : null, context.RequestAborted);
        var (plan, up) = found!.Value;
        var byId = up.ToDictionary(c => c.Id);
        IEnumerable<Line> lines =
        [
            .. CardsToLookAt.In(up, plan).Select(look => Of(look, plan, byId)),
            .. plan.TopicsStand ? Growth.UptakeOf(up).Take(MostTakenUp).Select(u => new Line(texts[u.Reach == 1 ? "Noticed.TakenUpOne" : "Noticed.TakenUp", TitleOf(byId[u.Card]), u.Reach], u.Card, 0)) : [],
        ];
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(lines);
    }

    /// <summary>A sentence for each thing in the scores of the round that goes on, or that was the last.</summary>
    public async Task<IResult> ScoresAsync(HttpContext context, Guid room)
    {
        if (await TeachersAsync(context, room) is not { } host) return Results.NotFound();
        var names = (await people.NamesAsync(room, Actor.Owner)).ToDictionary(n => n.Number, n => n.Name);
        IReadOnlyList<string> sentences = [];
        await host.LookAsync(
            r =>
            {
                var wall = HiddenNames.AsTeachersKnow((Wall)r);
                var judgements = wall.Judgements;
                var scores = judgements.Scores.Where(s => wall.Cards[s.Card].IsUp).ToList();
                sentences = [.. ScoresToLookAt.In(scores, card => wall.Cards[card].ByStaff ? 0 : wall.Cards[card].Author, judgements.Values).Select(look => Sentence(look, wall, p => names.GetValueOrDefault(p, "")))];
            },
            context.RequestAborted);
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(sentences);
    }

    private async Task<RoomHost?> TeachersAsync(HttpContext context, Guid room) =>
        await access.ForRoomAsync(Visitor.Of(context), room) is { Kind: RoomKind.Wall, Actor.IsStaff: true } ? await hosts.FindAsync(room) : null;

    private Line Of(CardsToLookAt look, WallPlan plan, Dictionary<long, Card> cards) => look switch
    {
        CardsToLookAt.NearlyEmpty(var card) => new(texts["Noticed.NearlyEmpty", TitleOf(cards[card])], card, 0),
        CardsToLookAt.NearlyEqual(var card, var other) => new(texts["Noticed.NearlyEqual", TitleOf(cards[card]), TitleOf(cards[other])], card, other),
        CardsToLookAt.Elsewhere(var card, var topic) => new(texts["Noticed.Elsewhere", TitleOf(cards[card]), plan.Topics.First(t => t.Id == topic).Heading.For(CultureInfo.CurrentUICulture.TwoLetterISOLanguageName)], card, 0),
        _ => throw new InvalidOperationException($"Nobody says what {look.GetType().Name} is."),
    };

    private string Sentence(ScoresToLookAt look, Wall wall, Func<int, string> nameOf) => look switch
    {
        ScoresToLookAt.EachOther(var one, var other) => texts["Scores.EachOther", nameOf(one), nameOf(other)],
        ScoresToLookAt.AlwaysTheSame(var judge, var score, var cards) => texts["Scores.AlwaysTheSame", nameOf(judge), cards, score],
        ScoresToLookAt.FarFromOthers(var judge, var card, var score, var others) => texts["Scores.FarFromOthers", nameOf(judge), score, TitleOf(wall.Cards[card]), others.ToString("0.#", CultureInfo.CurrentCulture)],
        _ => throw new InvalidOperationException($"Nobody says what {look.GetType().Name} is."),
    };

    private string TitleOf(Card card)
    {
        var title = card.Text.Split('\n')[0];
        return title.Length == 0 ? texts["Wall.Picture"] : title.Length > TitleLength ? $"{title[..TitleLength]}…" : title;
    }
}
