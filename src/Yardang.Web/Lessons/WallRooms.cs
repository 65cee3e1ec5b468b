using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Walls: begun over the plan that was handed out, and followed for what waits on them.</summary>
public sealed class WallRooms(IDbContextFactory<SchoolContext> school, FrozenVersions versions, WaitingWork waiting, LettingOut lettingOut, NamesLookedFor names, DataFolder folder) : IRoomKind
{
    private readonly Lazy<byte[]> _secret = new(() => ServerSecret.In(folder.VeilSecret));

    public RoomKind Kind => RoomKind.Wall;

    public async Task<Opening> OpenAsync(RoomRecord room, RoomHosts hosts)
    {
        await using var db = await school.CreateDbContextAsync();
        var content = await versions.OfAsync(await db.Lessons.Where(l => l.Id == room.OfId).Select(l => l.VersionId).SingleAsync());
        var plan = content.Find(room.Part)!.Wall!;
        var (allowed, isMasked) = (Allowed.Everything, false);
        await (await hosts.GetAsync(room.OfId)).LookAsync(r => (allowed, isMasked) = (((Lesson)r).AllowedIn(room.Place), ((Lesson)r).NamesMasked));
        return new(() => new Wall(plan, VeilKey.Of(_secret.Value, room.Id)), await names.InAsync(room.OfId, isMasked, allowed));
    }

    public async Task LoadedAsync(RoomHost host, RoomRecord room, RoomHosts hosts)
    {
        await host.SubmitAsync(new FollowLesson(), Actor.Program);
        waiting.Begin(host, room.OfId, hosts);
        lettingOut.Begin(host);
    }
}
