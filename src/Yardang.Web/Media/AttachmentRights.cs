using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Media;

/// <summary>Whether what somebody wants to show is taken in.</summary>
public enum MayShow
{
    /// <summary>Not from them, or not here.</summary>
    No,

    /// <summary>Not while students may not write.</summary>
    NotNow,

    /// <summary>Yes.</summary>
    Yes,
}

/// <summary>Who may bring pictures and links into a room: whoever may write in it, and on a wall where its teacher lets students show them.</summary>
public sealed class AttachmentRights(AccessResolver access, RoomHosts hosts)
{
    /// <summary>What holds for somebody in a room.</summary>
    public async Task<MayShow> OfAsync(Visitor visitor, Guid room, AttachmentKinds kind)
    {
        if (await access.ForRoomAsync(visitor, room) is not { Kind: RoomKind.Board or RoomKind.Draft or RoomKind.Wall, MayWrite: true } found) return MayShow.No;
        if (found.Actor.IsStaff) return MayShow.Yes;
        if (await hosts.FindAsync(room) is not { } host) return MayShow.No;
        var areShown = true;
        await host.LookAsync(r => areShown = r is not Wall wall || wall.Plan.Rules.Shows.HasFlag(kind));
        return !areShown ? MayShow.No : host.LetsWrite(found.Actor) ? MayShow.Yes : MayShow.NotNow;
    }
}
