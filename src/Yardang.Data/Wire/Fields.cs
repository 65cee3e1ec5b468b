using MessagePack;

namespace Yardang.Data.Wire;

/// <summary>An array being read: at least so many fields, and what follows is of a later version.</summary>
internal struct Fields
{
    private readonly int _count;
    private int _known;

    public Fields(ref MessagePackReader reader, int known)
    {
        _count = reader.ReadArrayHeader();
        Need(known);
    }

    /// <summary>Whether so many fields came. If they did, they will be read.</summary>
    public bool Has(int known)
    {
        if (_count < known) return false;
        _known = known;
        return true;
    }

    public void Need(int known)
    {
        _known = known;
        if (_count < known) throw new MessagePackSerializationException($"{known} fields were expected, {_count} came.");
    }

    public readonly void End(ref MessagePackReader reader)
    {
        for (var i = _known; i < _count; i++) reader.Skip();
    }
}
