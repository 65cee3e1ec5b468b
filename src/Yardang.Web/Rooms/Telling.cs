using Yardang.Core.Rooms;

namespace Yardang.Web.Rooms;

/// <summary>How students are told of what happens in a room.</summary>
/// <param name="Since">From which event on it has been so. Who knows only what was before has to look anew: they know things by other ids.</param>
/// <param name="Veil">Where names are hidden from them: the ids that they know things by; else null.</param>
/// <param name="IsSealed">Whether they are hidden from teachers, too.</param>
public sealed record Telling(long Since, Veil? Veil, bool IsSealed)
{
    /// <summary>How they are told of a room that was loaded.</summary>
    public static Telling Of(Room room) => new(0, room.NamesHidden, room.IsSealed);

    /// <summary>How they are told after an event.</summary>
    public Telling After(Room room, Envelope happened) => room.NamesHidden == Veil && room.IsSealed == IsSealed ? this : new(happened.Number, room.NamesHidden, room.IsSealed);
}
