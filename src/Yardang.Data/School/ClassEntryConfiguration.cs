using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class ClassEntryConfiguration : IEntityTypeConfiguration<ClassEntryRecord>
{
    public void Configure(EntityTypeBuilder<ClassEntryRecord> builder)
    {
        builder.ToTable("ClassEntries");
        builder.HasKey(e => new { e.ListId, e.Number });
    }
}
