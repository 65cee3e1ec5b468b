namespace Yardang.Core.Moderation;

/// <summary>Words as a tree whose branches are runs of one letter: so that a letter that is written again and again is still that one.</summary>
internal sealed class WordTree
{
    /// <summary>Where all words begin.</summary>
    public Node Root { get; } = new();

    /// <summary>Adds a word.</summary>
    public void Add(ListedWord word)
    {
        var node = Root;
        for (var i = 0; i < word.Letters.Length;)
        {
            var (letter, count) = (LookAlikes.Bit(word.Letters[i]), 1);
            while (i + count < word.Letters.Length && word.Letters[i + count] == word.Letters[i]) count++;
            node = node.Towards(letter, count);
            i += count;
        }

        if (node.Word is null || word.IsRoot) node.Word = word;
    }

    /// <summary>A run of a letter, as a bit, at least so often, and where it leads.</summary>
    internal readonly record struct Branch(uint Letter, int Count, Node To);

    /// <summary>Where one stands after some letters.</summary>
    internal sealed class Node
    {
        /// <summary>The ways on.</summary>
        public Branch[] Branches { get; private set; } = [];

        /// <summary>The letters of the ways on, as bits.</summary>
        public uint Letters { get; private set; }

        /// <summary>The word that ends here; null if none does.</summary>
        public ListedWord? Word { get; set; }

        /// <summary>The way on by a run; it is made if there is none.</summary>
        public Node Towards(uint letter, int count)
        {
            foreach (var branch in Branches) if (branch.Letter == letter && branch.Count == count) return branch.To;
            var to = new Node();
            Branches = [.. Branches, new(letter, count, to)];
            Letters |= letter;
            return to;
        }
    }
}
