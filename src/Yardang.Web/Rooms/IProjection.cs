using Yardang.Core.Rooms;
using Yardang.Data.School;

namespace Yardang.Web.Rooms;

/// <summary>What the tables know of rooms of one kind, so that lists need not load them: a copy of what their logs say.</summary>
public interface IProjection
{
    /// <summary>Of which kinds of room.</summary>
    IReadOnlyList<RoomKind> Kinds { get; }

    /// <summary>Up to which event the tables know of each room of which they know anything.</summary>
    Task<IReadOnlyDictionary<Guid, long>> KnownAsync(SchoolContext db);

    /// <summary>Puts what a room says now into the tables. Done twice, it does no harm.</summary>
    Task ProjectAsync(RoomHost room, SchoolContext db);
}
