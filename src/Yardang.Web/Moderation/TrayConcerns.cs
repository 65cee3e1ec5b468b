using Microsoft.Extensions.Localization;
using Yardang.Core.Boards;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Web.Moderation;

/// <summary>What students told their teachers of, as the in-tray shows it: each thing once, with all who told of it.</summary>
public sealed class TrayConcerns(IStringLocalizer<UiTexts> texts)
{
    /// <summary>Those of a wall or board that this teacher may look at.</summary>
    /// <param name="room">The wall or board.</param>
    /// <param name="teacher">Who looks.</param>
    /// <param name="names">Who is called what.</param>
    public IEnumerable<TrayThing> In(Room room, Actor teacher, IReadOnlyDictionary<int, string> names) => ((IWorkRoom)room).Concerns.Things
        .Select(thing => Describe(room, thing.About, thing.Answer, teacher, names)).OfType<TrayThing>();

    private TrayThing? Describe(Room room, long about, long answer, Actor teacher, IReadOnlyDictionary<int, string> names)
    {
        var concerns = ((IWorkRoom)room).Concerns.Of(about, answer).ToList();
        Told[] told = [.. concerns.Select(c => new Told(room.IsSealed ? "" : names.GetValueOrDefault(c.Person, ""), texts[$"Moderation.Reason{(int)c.Reason}"].Value, c.Words))];

        // Where names are for nobody, teachers know things by other numbers, too.
        long Id(long id) => room is Wall { IsSealed: true } wall ? wall.Veil.Over(teacher.ReadingWhere(isSealed: true), id) : id;
        var thing = room switch
        {
            Wall wall when wall.Cards.GetValueOrDefault(about) is { } card => Of(wall, card, answer),
            Board board when board.Sheets.Marks.GetValueOrDefault(about) is { } mark => Of(board, mark, answer),
            _ => null,
        };
        return thing is null ? null : thing with
        {
            Key = $"{about}-{answer}",
            Name = room.IsSealed ? "" : names.GetValueOrDefault(thing.Person, ""),
            Person = room.IsSealed ? 0 : thing.Person,
            Numbers = [Id(about), Id(answer)],
            Since = concerns[0].At,
            ToldBy = told,
        };
    }

    private static TrayThing? Of(Wall wall, Card card, long answer)
    {
        var where = TrayPlaces.Under(wall, card.Topic);
        if (answer == 0) return Thing("card", card.Author, card.Text, where, "", !card.Shown.IsEmpty, !card.IsUp);
        return Talk.Find(card.Said, answer) is { } said ? Thing("answer", said.Author, said.Text, where, card.Text, shows: false, !said.IsUp) : null;
    }

    private TrayThing? Of(Board board, Mark mark, long answer)
    {
        var where = TrayPlaces.OnPage(board, mark.Page, texts);
        var words = mark.Words?.Text ?? "";
        if (answer == 0) return Thing(words.Length > 0 ? "note" : "drawn", mark.Author, words, where, "", shows: true, !mark.Stands);
        return Talk.Find(board.Talk.About(mark.Id), answer) is { } said ? Thing("answer", said.Author, said.Text, where, words, shows: false, !said.IsUp) : null;
    }

    private static TrayThing Thing(string kind, int person, string words, string where, string about, bool shows, bool isDown) =>
        new("", kind, "concern", Guid.Empty, "", Guid.Empty, 0, person, "", [], 0, words, where, about, [], [], shows, false, [], isDown);
}
