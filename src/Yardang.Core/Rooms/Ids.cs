namespace Yardang.Core.Rooms;

/// <summary>
/// Ids of marks and gestures: client number × 2^32 + counter. Client numbers stay under 2^21, so that an id is exact as a double
/// and a browser can hold it as a plain number.
/// </summary>
public static class Ids
{
    /// <summary>Boards hand out client numbers below this, drafts from this on: a draft's marks keep their ids on every board.</summary>
    public const int FirstDraftClient = 1 << 20;

    /// <summary>One more than the largest client number.</summary>
    public const int ClientLimit = 1 << 21;

    /// <summary>The id with the given parts.</summary>
    public static long Of(int client, int counter) => ((long)client << 32) | (uint)counter;

    /// <summary>The client number inside an id.</summary>
    public static int ClientOf(long id) => (int)(id >> 32);
}
