using System.Buffers;
using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using Yardang.Web.Access;

namespace Yardang.Web.BigScreen;

/// <summary>The keys of big screens: who has one may see what the teacher of its lesson shows there, and nothing else. They follow from the lesson and the server's secret.</summary>
public sealed class ScreenKeys(DataFolder folder)
{
    private const int IdBytes = 16;
    private const int TagBytes = 16;

    private readonly Lazy<byte[]> _secret = new(() => ServerSecret.In(folder.ReentrySecret));

    /// <summary>The key of a lesson.</summary>
    public string Of(Guid lesson) => Base64Url.EncodeToString([.. lesson.ToByteArray(), .. TagOf(lesson)]);

    /// <summary>The lesson of a key; null if it is none.</summary>
    public Guid? Read(string key)
    {
        Span<byte> bytes = stackalloc byte[IdBytes + TagBytes];
        if (key.Length != Base64Url.GetEncodedLength(bytes.Length) || Base64Url.DecodeFromChars(key, bytes, out _, out var written) != OperationStatus.Done || written != bytes.Length) return null;
        var lesson = new Guid(bytes[..IdBytes]);

        // The last letter says more than the bytes hold: only one way of writing them is a key.
        return CryptographicOperations.FixedTimeEquals(bytes[IdBytes..], TagOf(lesson)) && string.Equals(Of(lesson), key, StringComparison.Ordinal) ? lesson : null;
    }

    /// <summary>A number for a thing of a lesson that says nothing of it, the same each time.</summary>
    public int NumberOf(Guid thing, int below) => (int)(BitConverter.ToUInt32(Hash($"mask {thing:N}")) % (uint)below);

    private byte[] TagOf(Guid lesson) => Hash($"screen {lesson:N}")[..TagBytes];

    private byte[] Hash(string said) => HMACSHA256.HashData(_secret.Value, Encoding.UTF8.GetBytes(said));
}
