using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Access;
using Yardang.Web.Lessons;

namespace Yardang.Web.Rooms;

/// <summary>What a teacher may want to look at in how a class scores its cards, in sentences. Students are never told.</summary>
public sealed class ScoresEndpoint(RoomHosts hosts, AccessResolver access, LessonPeople people, IStringLocalizer<UiTexts> texts)
{
    private const int TitleLength = 40;

    /// <summary>A sentence for each thing of the round that goes on, or that was the last.</summary>
    public async Task<IResult> OfAsync(HttpContext context, Guid room)
    {
        if (await access.ForRoomAsync(Visitor.Of(context), room) is not { Kind: RoomKind.Wall, Actor.IsStaff: true } found || await hosts.FindAsync(room) is not { } host) return Results.NotFound();
        var names = (await people.NamesAsync(room, found.Actor)).ToDictionary(n => n.Number, n => n.Name);
        IReadOnlyList<string> sentences = [];
        await host.LookAsync(
            r =>
            {
                var (wall, judgements) = ((Wall)r, ((Wall)r).Judgements);
                var scores = judgements.Scores.Where(s => wall.Cards[s.Card].IsUp).ToList();
                sentences = [.. ScoresToLookAt.In(scores, card => wall.Cards[card].ByStaff ? 0 : wall.Cards[card].Author, judgements.Values).Select(look => Sentence(look, wall, p => names.GetValueOrDefault(p, "")))];
            },
            context.RequestAborted);
        context.Response.Headers.CacheControl = "private, no-store";
        return Results.Json(sentences);
    }

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
