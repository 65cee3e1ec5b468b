using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Lessons;

/// <summary>Lessons themselves: people, door, groups, signals. What they say is carried to their rooms.</summary>
public sealed class LessonRooms(LessonConduct conduct) : IRoomKind
{
    public RoomKind Kind => RoomKind.Lesson;

    public Task<Opening> OpenAsync(RoomRecord room, RoomHosts hosts) => Task.FromResult(new Opening(() => new Lesson(), Allowed.Everything));

    public Task LoadedAsync(RoomHost host, RoomRecord room, RoomHosts hosts)
    {
        conduct.Begin(host, hosts);
        return Task.CompletedTask;
    }
}
