using System.Text;

namespace Yardang.Data.Media;

/// <summary>Finds the names of media in what is stored, whatever stands around them: an event, a snapshot or an activity.</summary>
public static class MediaMentions
{
    private const int Length = 64;

    /// <summary>All that could be a name: 64 hexadecimal digits in a row. A byte of something else beside a name may look like a digit too, so all places of a longer row count.</summary>
    public static IEnumerable<string> In(byte[] bytes)
    {
        var row = 0;
        for (var i = 0; i < bytes.Length; i++)
        {
            row = IsDigit(bytes[i]) ? row + 1 : 0;
            if (row >= Length) yield return Encoding.ASCII.GetString(bytes, i + 1 - Length, Length);
        }
    }

    private static bool IsDigit(byte b) => b is (>= (byte)'0' and <= (byte)'9') or (>= (byte)'a' and <= (byte)'f');
}
