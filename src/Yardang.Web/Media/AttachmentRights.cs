using Yardang.Core.Attachments;
using Yardang.Core.Boards;
using Yardang.Core.Pages;
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

/// <summary>What somebody may show in a room.</summary>
/// <param name="Access">Who they are there.</param>
/// <param name="IsNow">Whether they may now: students may not while they do not write.</param>
/// <param name="Seconds">How long what they record may be.</param>
public sealed record ShowRight(RoomAccess Access, bool IsNow, int Seconds);

/// <summary>Who may bring pictures, recordings, files and links into a room: whoever may write in it, and students what their teacher lets them show on the wall, or on some page of the board.</summary>
public sealed class AttachmentRights(AccessResolver access, RoomHosts hosts)
{
    /// <summary>What holds for somebody in a room.</summary>
    public async Task<MayShow> OfAsync(Visitor visitor, Guid room, AttachmentKinds kind) =>
        await FindAsync(visitor, room, kind) is not { } right ? MayShow.No : right.IsNow ? MayShow.Yes : MayShow.NotNow;

    /// <summary>The same with all that is asked of it; null if not from them, or not here.</summary>
    public async Task<ShowRight?> FindAsync(Visitor visitor, Guid room, AttachmentKinds kind)
    {
        if (await access.ForRoomAsync(visitor, room) is not { Kind: RoomKind.Board or RoomKind.Draft or RoomKind.Wall, MayWrite: true } found) return null;
        if (found.Actor.IsStaff) return new(found, IsNow: true, Recordings.Longest / 1_000);
        if (await hosts.FindAsync(room) is not { } host) return null;
        var (areShown, seconds) = (true, Recordings.UsualSeconds);
        await host.LookAsync(r =>
        {
            if (r is Wall { Plan.Rules: var rules }) (areShown, seconds) = (rules.Shows.HasFlag(kind), rules.VoiceSeconds);
            if (r is Board board && PageShows.OnPages.HasFlag(kind)) (areShown, seconds) = OnPagesOf(board, kind);
        });
        return areShown ? new(found, host.LetsWrite(found.Actor), seconds) : null;
    }

    // On which page it is put is seen when it is.
    private static (bool AreShown, int Seconds) OnPagesOf(Board board, AttachmentKinds kind)
    {
        var lets = board.Sheets.Pages.Select(p => p.Shows).OfType<PageShows>().Where(s => s.Kinds.HasFlag(kind)).ToList();
        return lets.Count > 0 ? (true, lets.Max(s => s.Seconds)) : (false, 0);
    }
}
