using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Boards;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>What teachers' lists know of boards and walls: who did something last, and when; what lies in zones; what waits.</summary>
public sealed class BoardSummaries(IDbContextFactory<SchoolContext> school) : IProjection
{
    public IReadOnlyList<RoomKind> Kinds { get; } = [RoomKind.Board, RoomKind.Wall];

    /// <summary>Those of a lesson, by board. Boards on which nothing ever happened have none.</summary>
    public async Task<IReadOnlyDictionary<Guid, BoardSummary>> OfAsync(Guid lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        var all = await db.BoardSummaries.Where(s => s.LessonId == lesson).ToListAsync();
        return all.ToDictionary(s => s.BoardId, s => JsonSerializer.Deserialize<BoardSummary>(s.Json, JsonSerializerOptions.Web)!);
    }

    public async Task<IReadOnlyDictionary<Guid, long>> KnownAsync(SchoolContext db) => await db.BoardSummaries.ToDictionaryAsync(s => s.BoardId, s => s.Through);

    public async Task ProjectAsync(RoomHost room, SchoolContext db)
    {
        if (await db.Rooms.FindAsync(room.Id) is not { } record) return;
        Func<BoardSummary>? sum = null;
        await room.LookAsync(r => sum = r is Wall wall ? BoardSummary.Of(HiddenNames.AsTeachersKnow(wall), wall.Number) : BoardSummary.Of((Board)r));
        var summary = sum!();
        var json = JsonSerializer.Serialize(summary, JsonSerializerOptions.Web);
        if (await db.BoardSummaries.FindAsync(room.Id) is { } known) (known.Through, known.Json) = (summary.Through, json);
        else db.BoardSummaries.Add(new BoardSummaryRecord { BoardId = room.Id, LessonId = record.OfId, Through = summary.Through, Json = json });
    }
}
