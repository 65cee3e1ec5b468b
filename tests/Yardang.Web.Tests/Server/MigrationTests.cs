using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;

namespace Yardang.Web.Tests.Server;

/// <summary>A school that ran an earlier version opens with all that it had.</summary>
public sealed class MigrationTests : IDisposable
{
    private readonly string _file = Path.Combine(Path.GetTempPath(), $"yardang-{Guid.NewGuid():N}.db");

    [Fact]
    public async Task Drafts_lessons_and_boards_of_before_are_all_in_the_table_of_rooms()
    {
        await using var db = new SchoolContext(new DbContextOptionsBuilder<SchoolContext>().UseSqlite($"Data Source={_file};Pooling=False").Options);
        var migrator = db.GetService<IMigrator>();
        await migrator.MigrateAsync("TeachingTogether", TestContext.Current.CancellationToken);
        var (draft, activity, lesson, own, teachers) = (Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7());
        await InsertAsync(db, "Activities", ("Id", activity), ("DraftId", draft), ("OwnerId", Guid.Empty));
        await InsertAsync(db, "Lessons", ("Id", lesson), ("OwnerId", Guid.Empty), ("ActivityId", activity), ("VersionId", Guid.Empty), ("Code", "BRIDGE12"));
        await InsertAsync(db, "Boards", ("Id", own), ("LessonId", lesson), ("Kind", 0), ("Number", 7));
        await InsertAsync(db, "Boards", ("Id", teachers), ("LessonId", lesson), ("Kind", 3), ("Number", 0));

        await migrator.MigrateAsync(cancellationToken: TestContext.Current.CancellationToken);

        var rooms = await db.Rooms.ToDictionaryAsync(r => r.Id, TestContext.Current.CancellationToken);
        Assert.Equal((RoomKind.Draft, activity), (rooms[draft].Kind, rooms[draft].OfId));
        Assert.Equal((RoomKind.Lesson, lesson), (rooms[lesson].Kind, rooms[lesson].OfId));
        Assert.Equal((RoomKind.Board, lesson, new RoomPlace(1, Whose.Own, 7)), (rooms[own].Kind, rooms[own].OfId, rooms[own].Place));
        Assert.Equal(new RoomPlace(1, Whose.Teacher, 0), rooms[teachers].Place);

        // Lessons of before are of boards.
        Assert.Equal([new LessonPart(1, PartKind.Pages, Way.OneEach)], await db.Lessons.Select(l => l.Parts).SingleAsync(TestContext.Current.CancellationToken));

        await migrator.MigrateAsync("TeachingTogether", TestContext.Current.CancellationToken);
        Assert.Equal(2, await db.Database.SqlQueryRaw<int>("SELECT COUNT(*) AS Value FROM Boards").SingleAsync(TestContext.Current.CancellationToken));
    }

    [Fact]
    public async Task A_lesson_of_before_has_one_part_and_everybody_is_in_the_group_whose_board_they_had()
    {
        await using var db = new SchoolContext(new DbContextOptionsBuilder<SchoolContext>().UseSqlite($"Data Source={_file};Pooling=False").Options);
        var migrator = db.GetService<IMigrator>();
        await migrator.MigrateAsync("Walls", TestContext.Current.CancellationToken);
        var (lesson, groups, own) = (Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7());
        await InsertAsync(db, "Lessons", ("Id", lesson), ("OwnerId", Guid.Empty), ("ActivityId", Guid.Empty), ("VersionId", Guid.Empty), ("Code", "BRIDGE12"), ("Way", 1), ("WorkKind", 4));
        await InsertAsync(db, "Rooms", ("Id", groups), ("Kind", 4), ("OfId", lesson), ("Part", 1), ("Whose", 1), ("Number", 3));
        await InsertAsync(db, "Rooms", ("Id", own), ("Kind", 4), ("OfId", lesson), ("Part", 1), ("Whose", 0), ("Number", 5));
        await InsertAsync(db, "Participants", ("Id", Guid.CreateVersion7()), ("LessonId", lesson), ("Number", 4), ("Name", "Maya"), ("BoardId", groups), ("ListNumber", 1));
        await InsertAsync(db, "Participants", ("Id", Guid.CreateVersion7()), ("LessonId", lesson), ("Number", 5), ("Name", "Arun"), ("BoardId", own), ("ListNumber", 2));

        await migrator.MigrateAsync(cancellationToken: TestContext.Current.CancellationToken);

        var record = await db.Lessons.Select(l => new { l.Parts, l.CurrentPart }).SingleAsync(TestContext.Current.CancellationToken);
        Assert.Equal([new LessonPart(1, PartKind.Wall, Way.ByGroup)], record.Parts);
        Assert.Equal(1, record.CurrentPart);
        var people = await db.Participants.OrderBy(p => p.Number).ToListAsync(TestContext.Current.CancellationToken);
        Assert.Equal([3, 0], people.Select(p => p.GroupNumber));
        Assert.Equal(new RoomPlace(1, Whose.Group, 3), record.Parts.PlaceIn(record.Parts[0], people[0].Number, people[0].GroupNumber));
    }

    public void Dispose() => File.Delete(_file);

    // What is not said is as empty as its column allows.
    private static async Task InsertAsync(SchoolContext db, string table, params (string Column, object Value)[] said)
    {
        var columns = await db.Database.SqlQuery<string>($"SELECT name AS Value FROM pragma_table_info({table})").ToListAsync(TestContext.Current.CancellationToken);
        var values = columns.Select(c => said.FirstOrDefault(s => s.Column == c).Value ?? (c.EndsWith("Names", StringComparison.Ordinal) ? "{}" : (object)0)).ToArray();
        var sql = $"INSERT INTO {table} ({string.Join(", ", columns.Select(c => $"\"{c}\""))}) VALUES ({string.Join(", ", values.Select((_, i) => $"{{{i}}}"))})";
        await db.Database.ExecuteSqlRawAsync(sql, values, TestContext.Current.CancellationToken);
    }
}
