using MessagePack;
using Yardang.Core.Lessons;

namespace Yardang.Data.Wire;

/// <summary>Times of a lesson, as four fields: opens, due, closes (-1 for none), whether students hand in.</summary>
internal static class LessonTimesCodec
{
    public static void Write(ref MessagePackWriter w, LessonTimes times)
    {
        w.Write(times.OpensAt ?? -1);
        w.Write(times.DueAt ?? -1);
        w.Write(times.ClosesAt ?? -1);
        w.Write(times.HandsIn);
    }

    public static LessonTimes Read(ref MessagePackReader r) => new(OrNull(r.ReadInt64()), OrNull(r.ReadInt64()), OrNull(r.ReadInt64()), r.ReadBoolean());

    private static long? OrNull(long value) => value < 0 ? null : value;
}
