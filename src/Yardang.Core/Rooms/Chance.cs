using System.Buffers.Binary;

namespace Yardang.Core.Rooms;

/// <summary>
/// Chance that comes out the same from the same seed, on every machine and in every version: SplitMix64 (G. Steele, D. Lea, C. Flood, "Fast splittable
/// pseudorandom number generators", 2014).
/// </summary>
public sealed class Chance(ulong seed)
{
    private ulong _state = seed;

    /// <summary>The seed for an event of a room.</summary>
    public static ulong SeedOf(Guid room, long number)
    {
        Span<byte> id = stackalloc byte[16];
        room.TryWriteBytes(id);
        return BinaryPrimitives.ReadUInt64LittleEndian(id) ^ BinaryPrimitives.ReadUInt64LittleEndian(id[8..]) ^ (ulong)number;
    }

    /// <summary>A whole number from 0 to one less than <paramref name="below"/>, which is at least 1.</summary>
    public int Next(int below) => (int)(Next() % (ulong)below);

    private ulong Next()
    {
        var z = _state += 0x9E3779B97F4A7C15;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return z ^ (z >> 31);
    }
}
