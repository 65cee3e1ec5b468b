using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Data.School;

namespace Yardang.Web.Lessons;

/// <summary>Where names are off, the word screen looks for the names of those who are in a lesson, too: all over it while names are masked, else on walls that hide them.</summary>
public sealed class NamesLookedFor(IDbContextFactory<SchoolContext> school)
{
    /// <summary>What a lesson allows in its rooms, with the names.</summary>
    /// <param name="lesson">The lesson.</param>
    /// <param name="isMasked">Whether names are masked in it.</param>
    /// <param name="allowed">What it allows in one room.</param>
    public async Task<Allowed> InAsync(Guid lesson, bool isMasked, Allowed allowed) => (await InAsync(lesson, isMasked, [allowed]))[0];

    /// <summary>The same for several rooms.</summary>
    public async Task<IReadOnlyList<Allowed>> InAsync(Guid lesson, bool isMasked, IReadOnlyList<Allowed> allowed)
    {
        if (allowed.All(a => a.Screen is null)) return allowed;
        await using var db = await school.CreateDbContextAsync();
        var names = new ClassNames(await db.Participants.Where(p => p.LessonId == lesson && p.Erasing == Erasing.No && (p.Standing == Standing.In || p.Standing == Standing.Expected)).Select(p => p.Name).ToListAsync());
        return [.. allowed.Select(a => a.Screen?.With(names) is { } with ? a with { Screen = isMasked ? with : a.Screen, ScreenWhereHidden = with } : a)];
    }
}
