using Yardang.Core.Geometry;
using Yardang.Core.Marks;

namespace Yardang.Core.Shapes;

/// <summary>
/// A zone lies under what is in it, whichever came first. It is drawn right over its ground, which is the last of what holds all of it: pictures and shapes that were there before it,
/// and zones. Where it has none, it is drawn before everything else.
/// </summary>
public static class ZoneLayers
{
    /// <summary>The marks of a page, back to front, with the zones where they are drawn.</summary>
    /// <param name="marks">Back to front as they came. Connectors follow their ends already.</param>
    public static IEnumerable<Mark> Lay(IEnumerable<Mark> marks)
    {
        List<Mark> all = [.. marks];
        if (!all.Exists(m => m.Body is ZoneBody)) return all;
        List<Mark> laid = [.. all.Where(m => m.Body is not ZoneBody)];
        var zones = all.Where(m => m.Body is ZoneBody).Select((zone, nth) => (Zone: zone, Box: MarkGeometry.BoundsOf(zone), Nth: nth));
        foreach (var (zone, box, _) in zones.OrderByDescending(z => z.Box.Width * z.Box.Height).ThenBy(z => z.Nth))
        {
            var ground = laid.FindLastIndex(m => IsGroundOf(m, zone) && Holds(MarkGeometry.BoundsOf(m), box));

            // Beside zones of the same ground it comes after those.
            while (ground + 1 < laid.Count && laid[ground + 1].Body is ZoneBody) ground++;
            laid.Insert(ground + 1, zone);
        }

        return laid;
    }

    private static bool IsGroundOf(Mark mark, Mark zone) => mark.Body is ZoneBody
        || (mark.Body is PictureBody or ShapeBody && (mark.Order < zone.Order || (mark.Order == zone.Order && mark.Id < zone.Id)));

    private static bool Holds(Box outer, Box inner) =>
        outer.X <= inner.X && outer.Y <= inner.Y && outer.X + outer.Width >= inner.X + inner.Width && outer.Y + outer.Height >= inner.Y + inner.Height;
}
