using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Access;
using Yardang.Web.Rooms;

namespace Yardang.Web.Media;

/// <summary>Whether somebody's pictures are taken in.</summary>
public enum TakesPictures
{
    /// <summary>Not from them, or not here.</summary>
    No,

    /// <summary>Not while students may not write.</summary>
    NotNow,

    /// <summary>Yes.</summary>
    Yes,
}

/// <summary>Who may put pictures into a room: whoever may write in it, and on a wall where its teacher lets students show them.</summary>
public sealed class PictureRights(AccessResolver access, RoomHosts hosts)
{
    /// <summary>What holds for somebody in a room.</summary>
    public async Task<TakesPictures> OfAsync(Visitor visitor, Guid room)
    {
        if (await access.ForRoomAsync(visitor, room) is not { Kind: RoomKind.Board or RoomKind.Draft or RoomKind.Wall, MayWrite: true } found) return TakesPictures.No;
        if (found.Actor.IsStaff) return TakesPictures.Yes;
        if (await hosts.FindAsync(room) is not { } host) return TakesPictures.No;
        var areShown = true;
        await host.LookAsync(r => areShown = r is not Wall wall || wall.Plan.Rules.Shows.HasFlag(AttachmentKinds.Pictures));
        return !areShown ? TakesPictures.No : host.LetsWrite(found.Actor) ? TakesPictures.Yes : TakesPictures.NotNow;
    }
}
