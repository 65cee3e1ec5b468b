using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class ClassListConfiguration : IEntityTypeConfiguration<ClassListRecord>
{
    public void Configure(EntityTypeBuilder<ClassListRecord> builder)
    {
        builder.ToTable("ClassLists");
        builder.HasIndex(c => c.OwnerId);
    }
}
