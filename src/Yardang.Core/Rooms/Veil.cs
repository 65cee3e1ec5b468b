using System.Buffers.Binary;
using System.Collections.Concurrent;
using System.Security.Cryptography;
using System.Text;

namespace Yardang.Core.Rooms;

/// <summary>What a room's <see cref="Veil"/> rests on: nobody outside of the server knows it, and it stays the same as long as there is the room.</summary>
public readonly record struct VeilKey(ulong First, ulong Second)
{
    /// <summary>The key of a room.</summary>
    /// <param name="secret">The server's secret.</param>
    /// <param name="room">The room.</param>
    public static VeilKey Of(ReadOnlySpan<byte> secret, Guid room)
    {
        Span<byte> hash = stackalloc byte[HMACSHA256.HashSizeInBytes];
        HMACSHA256.HashData(secret, Encoding.UTF8.GetBytes($"veil {room:N}"), hash);
        return new(BinaryPrimitives.ReadUInt64LittleEndian(hash), BinaryPrimitives.ReadUInt64LittleEndian(hash[8..]));
    }

    /// <summary>A number that stands for a thing of the room elsewhere: 1 to 2^52, the same for the same thing.</summary>
    /// <param name="id">The id of the thing.</param>
    public long NumberOf(long id)
    {
        Span<byte> key = stackalloc byte[16];
        BinaryPrimitives.WriteUInt64LittleEndian(key, First);
        BinaryPrimitives.WriteUInt64LittleEndian(key[8..], Second);
        Span<byte> hash = stackalloc byte[HMACSHA256.HashSizeInBytes];
        HMACSHA256.HashData(key, Encoding.UTF8.GetBytes($"elsewhere {id}"), hash);
        return (long)(BinaryPrimitives.ReadUInt64LittleEndian(hash) >> 12) + 1;
    }
}

/// <summary>
/// Ids as those know them who may not know whose a thing is: an id has in it the tab that made it, and so tells that two things have one author. Everybody's
/// own ids stay as they are; others' are replaced, the same one always by the same, and the order of the new says nothing of the order of the old.
/// <para>A permutation of the numbers below 2^52 by six rounds of a Feistel network over HMAC (M. Luby, C. Rackoff, "How to construct pseudorandom permutations
/// from pseudorandom functions", SIAM Journal on Computing 17, 1988); bit 52 tells such an id from the others, which use it in drafts only.</para>
/// </summary>
/// <param name="key">The room's key.</param>
public sealed class Veil(VeilKey key)
{
    /// <summary>What no id is: of something that whoever names it cannot know.</summary>
    public const long Unknown = -1;

    private const long Veiled = 1L << 52;
    private const int HalfBits = 26;
    private const uint Half = (1 << HalfBits) - 1;
    private const int Rounds = 6;

    // Of ids that there are, not of those that somebody asks for.
    private const int MostRemembered = 100_000;

    private readonly byte[] _key = KeyBytes(key);
    private readonly ConcurrentDictionary<long, long> _over = new();
    private readonly ConcurrentDictionary<int, int> _owners = new();

    /// <summary>A client number belongs to a person. The room's writer says so; several threads read.</summary>
    internal void Own(int client, int person) => _owners[client] = person;

    /// <summary>An id as a student knows it.</summary>
    /// <param name="reader">Who reads.</param>
    /// <param name="id">The id; 0 and less, and what no tab made, stay as they are.</param>
    public long Over(Actor reader, long id)
    {
        if (id <= 0 || id >= Veiled || Ids.ClientOf(id) == 0 || IsOf(reader, id)) return id;
        if (_over.TryGetValue(id, out var known)) return known;
        var veiled = Veiled | Permute(id);
        if (_over.Count < MostRemembered) _over[id] = veiled;
        return veiled;
    }

    /// <summary>The id that a student means; <see cref="Unknown"/> if they name one that they cannot know.</summary>
    /// <param name="actor">Who names it.</param>
    /// <param name="id">As they know it.</param>
    public long Lift(Actor actor, long id)
    {
        if (id >= 2 * Veiled) return Unknown;
        if (id >= Veiled) return PermuteBack(id - Veiled);
        return id <= 0 || Ids.ClientOf(id) == 0 || IsOf(actor, id) ? id : Unknown;
    }

    /// <summary>Whether an id, as a reader knows it, stands for another: for something that is not theirs.</summary>
    public static bool IsOver(long id) => id >= Veiled;

    private bool IsOf(Actor person, long id) => _owners.TryGetValue(Ids.ClientOf(id), out var owner) && owner == person.Number;

    private long Permute(long id)
    {
        var (left, right) = ((uint)(id >> HalfBits), (uint)id & Half);
        for (var round = 0; round < Rounds; round++) (left, right) = (right, left ^ Mix(round, right));
        return ((long)left << HalfBits) | right;
    }

    private long PermuteBack(long id)
    {
        var (left, right) = ((uint)(id >> HalfBits), (uint)id & Half);
        for (var round = Rounds - 1; round >= 0; round--) (left, right) = (right ^ Mix(round, left), left);
        return ((long)left << HalfBits) | right;
    }

    private uint Mix(int round, uint half)
    {
        Span<byte> said = stackalloc byte[8];
        BinaryPrimitives.WriteInt32LittleEndian(said, round);
        BinaryPrimitives.WriteUInt32LittleEndian(said[4..], half);
        Span<byte> hash = stackalloc byte[HMACSHA256.HashSizeInBytes];
        HMACSHA256.HashData(_key, said, hash);
        return BinaryPrimitives.ReadUInt32LittleEndian(hash) & Half;
    }

    private static byte[] KeyBytes(VeilKey key)
    {
        var bytes = new byte[16];
        BinaryPrimitives.WriteUInt64LittleEndian(bytes, key.First);
        BinaryPrimitives.WriteUInt64LittleEndian(bytes.AsSpan(8), key.Second);
        return bytes;
    }
}
