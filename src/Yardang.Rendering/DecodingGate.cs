namespace Yardang.Rendering;

/// <summary>Lets at most two pictures be decoded at a time in the whole server, and a large one only alone: decoded pixels take much memory.</summary>
internal static class DecodingGate
{
    private const int Places = 2;
    private const long Large = 16_000_000;

    private static readonly SemaphoreSlim s_places = new(Places, Places);
    private static readonly Lock s_entering = new();

    /// <summary>Decodes when there is room for so many pixels.</summary>
    public static T Run<T>(long pixels, Func<T> decode)
    {
        var places = pixels > Large ? Places : 1;

        // One after the other, so that two that need both places do not wait for each other.
        lock (s_entering)
        {
            for (var i = 0; i < places; i++) s_places.Wait();
        }

        try
        {
            return decode();
        }
        finally
        {
            s_places.Release(places);
        }
    }
}
