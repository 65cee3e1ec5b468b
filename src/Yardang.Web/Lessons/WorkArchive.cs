using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>A lesson with its work as an archive, and back: it comes back closed, to be read, under a code of its own.</summary>
public sealed class WorkArchive(IDbContextFactory<SchoolContext> school, RoomHosts hosts, Handing handing, LessonPeople people, MediaStore media, TimeProvider clock)
{
    /// <summary>The lesson as an archive.</summary>
    public async Task<byte[]> WriteAsync(LessonRecord lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var version = await db.Versions.SingleAsync(v => v.Id == lesson.VersionId);
        var participants = await db.Participants.Where(p => p.LessonId == lesson.Id && p.Standing != Standing.Expected).OrderBy(p => p.Number).ToListAsync();
        var boards = new List<ArchivedBoard>();
        foreach (var board in (await people.AllBoardsAsync(lesson)).Where(b => b.People.Count > 0 || b.Id == lesson.TogetherId))
        {
            var host = await hosts.GetAsync(board.Id);
            await host.LookAsync(room =>
            {
                var sheets = ((Board)room).Sheets;
                var marks = sheets.Pages.SelectMany(p => sheets.Visible(p.Id));
                boards.Add(new([.. board.People.Select(p => p.Number)], [.. sheets.Pages], [.. marks], board.Group));
            });
        }

        var work = new ArchivedWork(
            lesson.Name, lesson.ClassName, lesson.HandedOutAt, lesson.Way, [.. participants.Select(p => new ArchivedPerson(p.Number, p.Name))], [.. boards]);
        return ActivityArchive.Write(ActivityJson.Read(version.Content), media.Find, work);
    }

    /// <summary>Puts a lesson from an archive on a teacher's desk, with its activity.</summary>
    public async Task<LessonRecord> ReadAsync(Guid owner, ArchivedActivity archived, ArchivedWork work)
    {
        var names = await handing.TakeMediaAsync(archived.Media);
        var activity = await handing.CreateAsync(owner, Handing.WithMedia(archived.Activity, names));
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder(work.ClassName, Way: work.Way), ContentLanguage.Current);
        var room = await hosts.GetAsync(lesson.Id);
        await using var db = await school.CreateDbContextAsync();
        var numbers = new Dictionary<int, int> { [Actor.Owner.Number] = Actor.Owner.Number };
        var records = new Dictionary<int, ParticipantRecord>();
        foreach (var person in work.People)
        {
            if ((await room.SubmitAsync(new Join(), Actor.Program)).Envelope?.Event is not PersonJoined joined) break;
            numbers[person.Number] = joined.Person;
            records[person.Number] = new ParticipantRecord
            {
                Id = Guid.CreateVersion7(),
                LessonId = lesson.Id,
                Number = joined.Person,
                Name = PersonName.Read(person.Name) ?? "?",
                BoardId = lesson.TogetherId ?? Guid.Empty,
                JoinedAt = clock.GetUtcNow(),
            };
        }

        var groups = new List<Group>();
        foreach (var board in work.Boards)
        {
            var mine = board.People.Where(numbers.ContainsKey).Select(n => numbers[n]).ToList();
            if (lesson.TogetherId is null && mine.Count == 0) continue;
            if (board.Group is { } called) groups.Add(new(groups.Count + 1, called, [.. mine]));
            var id = lesson.TogetherId
                ?? (board.Group is null ? await Seating.BoardAsync(db, lesson.Id, BoardKind.Own, mine[0]) : await Seating.BoardAsync(db, lesson.Id, BoardKind.Group, groups.Count));
            foreach (var number in board.People.Where(records.ContainsKey)) records[number].BoardId = id;
            var content = Handing.WithMedia(archived.Activity with { Pages = board.Pages, Marks = [.. board.Marks.Select(m => m with { Author = numbers.GetValueOrDefault(m.Author, Actor.Owner.Number) })] }, names);
            await (await hosts.GetAsync(id)).SubmitAsync(new BringWork(content), Actor.Program);
        }

        db.Participants.AddRange(records.Values.Where(r => r.BoardId != Guid.Empty));
        var record = await db.Lessons.SingleAsync(l => l.Id == lesson.Id);
        record.ClosedAt = clock.GetUtcNow();
        await db.SaveChangesAsync();
        foreach (var participant in records.Values.Where(r => r.BoardId != Guid.Empty)) await Seating.SitAsync(db, participant);
        if (groups.Count > 0) await room.SubmitAsync(new SetGroups([.. groups], 0), Actor.Program);
        await room.SubmitAsync(new CloseLesson(), Actor.Program);
        return record;
    }
}
