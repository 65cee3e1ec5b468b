using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Boards;
using Yardang.Core.ClassLists;
using Yardang.Core.Editing;
using Yardang.Core.Interchange;
using Yardang.Core.Judges;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;
using Yardang.Web.Storage;

namespace Yardang.Web.Lessons;

/// <summary>A lesson with its work as an archive, and back: it comes back closed, to be read, under a code of its own.</summary>
public sealed class WorkArchive(IDbContextFactory<SchoolContext> school, RoomHosts hosts, Handing handing, ActivityMaking making, ArchivedMedia archivedMedia, LessonPeople people, FrozenVersions versions, MediaStore media, RoomMedia kept, TimeProvider clock)
{
    /// <summary>Gathers the lesson, and gives what writes it as an archive.</summary>
    public async Task<Func<byte[]>> ReadyAsync(LessonRecord lesson, CancellationToken stop)
    {
        await using var db = await school.CreateDbContextAsync(stop);
        var version = await versions.OfAsync(lesson.VersionId);
        var participants = await db.Participants.Where(p => p.LessonId == lesson.Id && p.Standing != Standing.Expected).OrderBy(p => p.Number).ToListAsync(stop);
        var boards = new List<ArchivedBoard>();
        foreach (var board in (await people.AllBoardsAsync(lesson)).Where(b => b.People.Count > 0 || b.Place.Whose == Whose.Together))
        {
            var host = await hosts.GetAsync(board.Id);
            await host.LookAsync(room =>
            {
                ImmutableArray<int> whose = [.. board.People.Select(p => p.Number)];
                int? part = board.Place.Part == RoomPlace.FirstPart ? null : board.Place.Part;
                if (room is Wall whole)
                {
                    var wall = HiddenNames.AsTeachersKnow(whole);
                    boards.Add(new(whose, [], [], board.Group, At(wall.LastActivity), new(wall.Plan.ItsOwn, [.. Stacks.AmongThemselves(wall.Cards.Values).OrderBy(c => c.Topic).ThenBy(c => c.Order).Select(Anybodys)], ResultsOf(wall), OrderOf(wall), LinksOf(wall), ShiftsOf(wall)), part));
                    return;
                }

                var written = (Board)room;
                var sheets = written.Sheets;
                var marks = sheets.Pages.SelectMany(p => sheets.Visible(p.Id));
                boards.Add(new(whose, [.. sheets.Pages], [.. marks.Select(m => m.PutBy == 0 ? m : m with { PutBy = Actor.Owner.Number })], board.Group, At(written.LastActivity), Part: part, Said: SaidOn(written), Results: ResultsOf(written)));
            }, stop);
        }

        var known = new Dictionary<int, Person>();
        var times = LessonTimes.None;
        await (await hosts.GetAsync(lesson.Id)).LookAsync(r => (known, times) = (((Lesson)r).People.ToDictionary(p => p.Key, p => p.Value), ((Lesson)r).Times), stop);
        var came = participants.Select(p => new ArchivedPerson(p.Number, p.Name, p.JoinedAt, At(known.GetValueOrDefault(p.Number)?.HandedInAt)));
        var work = new ArchivedWork(
            lesson.Name, lesson.ClassName, lesson.HandedOutAt, lesson.Parts[0].Way, [.. came], [.. boards], lesson.ClosedAt, At(times.DueAt), times.HandsIn);
        return () => ActivityArchive.Write(version, media.Find, work);
    }

    private static ImmutableArray<MarkThread>? SaidOn(Board board) =>
        board.Talk.All.Select(t => t.Standing()).OfType<MarkThread>().Select(t => By(t, (author, byStaff) => byStaff ? Actor.Owner.Number : author)).ToImmutableArray() is { IsEmpty: false } said ? said : null;

    private static MarkThread By(MarkThread thread, Func<int, bool, int> author) => thread with { Answers = [.. thread.Answers.Select(a => a with { Author = author(a.Author, a.ByStaff) })] };

    private static ImmutableArray<CardResult>? ResultsOf(Board board) => ResultsOf(board.Choice.Judgements, board.Sheets.Pages.SelectMany(p => board.Sheets.Visible(p.Id)).Select(m => m.Id));

    private static ImmutableArray<Link>? LinksOf(Wall wall) => wall.Links.Standing(wall.Cards).Select(l => l with { Author = l.ByStaff ? Actor.Owner.Number : l.Author }).ToImmutableArray() is { IsEmpty: false } links ? links : null;

    // As it was shown; else as it is.
    private static ClassOrder? OrderOf(Wall wall) => (wall.Placements.Shown ?? wall.Order()) is { People: > 0 } order ? order.OfThose(wall.Cards.Values.Where(c => c.IsUp)) : null;

    private static StanceShifts? ShiftsOf(Wall wall)
    {
        bool IsUp(long id) => wall.Cards.GetValueOrDefault(id)?.IsUp == true;
        var shifts = wall.Plan.Rules.Positions.IsEmpty ? null : wall.Stances.Shown ?? wall.Stances.Now(wall.Plan, IsUp);
        return shifts?.People() > 0 ? shifts.OfThose(IsUp) : null;
    }

    // Who said what is nobody's business but theirs and the teacher's of the day.
    private static ImmutableArray<CardResult>? ResultsOf(Wall wall) => ResultsOf(wall.Judgements, wall.Cards.Values.Where(c => c.IsUp).Select(c => c.Id));

    private static ImmutableArray<CardResult>? ResultsOf(Judgements judgements, IEnumerable<long> ids)
    {
        ImmutableArray<CardResult> all = judgements.IsShown ? judgements.Results : [.. judgements.Results, .. judgements.ResultsOf(ids)];
        return all.IsEmpty ? null : all;
    }

    // Which of several teachers put a card up, or answered one, is known in this school only.
    private static Card Anybodys(Card card) => By(card.Standing(), (author, byStaff) => byStaff ? Actor.Owner.Number : author);

    private static Card By(Card card, Func<int, bool, int> author) => card with
    {
        AskedToo = People(card.Askers, card, author) is { IsEmpty: false } askers ? askers : null,
        Responses = card.Responded.Select(r => r with { People = People(r.People, card, author) }).Where(r => r.Count > 0).ToImmutableArray() is { IsEmpty: false } responses ? responses : null,
        Author = author(card.Author, card.ByStaff),
        PutUpBy = card.PutUpBy == 0 ? 0 : author(card.PutUpBy, true),
        Answers = card.Answers is null ? null : [.. card.Said.Select(a => a with { Author = author(a.Author, a.ByStaff) })],
    };

    // Who did not come writes nowhere.
    private static WallPlan WithPeople(WallPlan plan, Dictionary<int, int> numbers) =>
        plan with { Topics = [.. plan.Topics.Select(t => t with { Only = (t.Only ?? []).Where(numbers.ContainsKey).Select(n => numbers[n]).Order().ToImmutableArray() is { IsEmpty: false } only ? only : null })] };

    // Students, each once; who is none any more said nothing.
    private static ImmutableArray<int> People(IEnumerable<int> people, Card card, Func<int, bool, int> author) =>
        [.. people.Select(p => author(p, false)).Where(p => p != Actor.Owner.Number && (card.ByStaff || p != author(card.Author, false)) && p != 0).Distinct().Order()];

    private static DateTimeOffset? At(long? ms) => ms is { } said ? DateTimeOffset.FromUnixTimeMilliseconds(said) : null;

    /// <summary>Puts a lesson from an archive on a teacher's desk, with its activity.</summary>
    public async Task<LessonRecord> ReadAsync(Guid owner, ArchivedActivity archived, ArchivedWork work)
    {
        var names = await archivedMedia.TakeAsync(archived.Media);
        var activity = await making.CreateAsync(owner, ArchivedMedia.WithMedia(archived.Activity, names));
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder(work.ClassName, Way: work.Way, At: work.HandedOutAt), ContentLanguage.Current);
        await kept.CountAsync(lesson.Id, names.Values);
        var room = await hosts.GetAsync(lesson.Id);
        await using var db = await school.CreateDbContextAsync();
        var numbers = new Dictionary<int, int> { [Actor.Owner.Number] = Actor.Owner.Number };
        var records = new Dictionary<int, ParticipantRecord>();
        foreach (var person in work.People)
        {
            var joinedAt = person.JoinedAt ?? work.HandedOutAt;
            var brought = new BringPerson(joinedAt.ToUnixTimeMilliseconds(), person.HandedInAt?.ToUnixTimeMilliseconds());
            if ((await room.SubmitAsync(brought, Actor.Program)).Envelope?.Event is not PersonBrought joined) break;
            numbers[person.Number] = joined.Person;
            records[person.Number] = new ParticipantRecord
            {
                Id = Guid.CreateVersion7(),
                LessonId = lesson.Id,
                Number = joined.Person,
                Name = PersonName.Read(person.Name) ?? "?",
                JoinedAt = joinedAt,
            };
        }

        var groups = new List<Group>();
        var worked = new HashSet<(ParticipantRecord Who, Guid Where)>();
        foreach (var board in work.Boards)
        {
            var part = lesson.FindPart(board.OfPart)!;
            var mine = board.People.Where(numbers.ContainsKey).Select(n => numbers[n]).ToList();
            if (part.Way != Way.AllTogether && mine.Count == 0) continue;
            var place = part.Way == Way.AllTogether ? new RoomPlace(part.Number, Whose.Together, 0)
                : board.Group is { } called ? new(part.Number, Whose.Group, NumberOf(groups, called, mine))
                : new(part.Number, Whose.Own, mine[0]);
            var id = await Seating.RoomAsync(db, lesson, place);
            foreach (var number in board.People.Where(records.ContainsKey))
            {
                worked.Add((records[number], id));
                if (place.Whose == Whose.Group) records[number].GroupNumber = place.Number;
            }

            var host = await hosts.GetAsync(id);
            if (board.Wall is { } wall)
            {
                ImmutableArray<Card> cards = [.. Stacks.AmongThemselves(wall.Cards.Select(c => c.WithMedia(names)).OfType<Card>()).Select(c => By(c, (author, byStaff) => byStaff ? Actor.Owner.Number : author == 0 ? 0 : numbers.GetValueOrDefault(author, Actor.Owner.Number)))];
                var up = cards.Select(c => c.Id).ToHashSet();
                ImmutableArray<Link> links = [.. (wall.Links ?? []).Where(l => up.Contains(l.From) && up.Contains(l.To)).Select(l => l with { Author = l.ByStaff ? Actor.Owner.Number : l.Author == 0 ? 0 : numbers.GetValueOrDefault(l.Author, Actor.Owner.Number) })];
                await host.SubmitAsync(new BringCards(WithPeople(wall.Plan.WithMedia(names), numbers), cards, board.ChangedAt?.ToUnixTimeMilliseconds(), wall.Results, wall.Order?.OfThose(cards), links, wall.Shifts?.OfThose(id => cards.Any(c => c.Id == id))), Actor.Program);
                continue;
            }

            var content = ArchivedMedia.WithMedia(archived.Activity with { Pages = board.Pages, Marks = [.. board.Marks.Select(m => m with { Author = numbers.GetValueOrDefault(m.Author, Actor.Owner.Number), PutBy = m.PutBy == 0 ? 0 : Actor.Owner.Number })] }, names);
            ImmutableArray<MarkThread>? said = board.Said is { } threads ? [.. threads.Select(t => By(t with { Answers = Talk.WithMedia(t.Answers, names) }, (author, byStaff) => byStaff ? Actor.Owner.Number : numbers.GetValueOrDefault(author, Actor.Owner.Number)))] : null;
            await host.SubmitAsync(new BringWork(content, board.ChangedAt?.ToUnixTimeMilliseconds(), said, board.Results), Actor.Program);
            await host.SubmitAsync(new SetKey(AnswerKey.In(content.Marks)), Actor.Program);
        }

        db.Participants.AddRange(lesson.HasTogether ? records.Values : worked.Select(w => w.Who).Distinct());
        var record = await db.Lessons.SingleAsync(l => l.Id == lesson.Id);
        record.ClosedAt = work.ClosedAt ?? clock.GetUtcNow();
        await db.SaveChangesAsync();
        foreach (var (who, where) in worked) await Seating.SitAsync(db, who, where);
        var times = LessonTimes.None with { DueAt = work.DueAt?.ToUnixTimeMilliseconds(), HandsIn = work.HandsIn };
        if (times != LessonTimes.None) await room.SubmitAsync(new SetTimes(times), Actor.Program);
        if (groups.Count > 0) await room.SubmitAsync(new SetGroups([.. groups], 0), Actor.Program);
        await room.SubmitAsync(new CloseLesson(), Actor.Program);
        return record;
    }

    // The same group may have worked in several parts.
    private static int NumberOf(List<Group> groups, string called, List<int> people)
    {
        if (groups.Find(g => string.Equals(g.Name, called, StringComparison.Ordinal) && g.People.ToHashSet().SetEquals(people)) is { } known) return known.Number;
        groups.Add(new(groups.Count + 1, called, [.. people]));
        return groups.Count;
    }
}
