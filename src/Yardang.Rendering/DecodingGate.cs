namespace Yardang.Rendering;

/// <summary>Lets at most two pictures be decoded at a time in the whole server: decoded pixels take much memory.</summary>
internal static class DecodingGate
{
    private const int Places = 2;

    private static readonly SemaphoreSlim s_places = new(Places, Places);

    /// <summary>Decodes when there is room.</summary>
    public static T Run<T>(Func<T> decode)
    {
        s_places.Wait();
        try
        {
            return decode();
        }
        finally
        {
            s_places.Release();
        }
    }
}
