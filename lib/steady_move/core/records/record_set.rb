# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # All records with one owner and type (RFC 2181 §5); members that differ in their
      # TTL, which is an error (§5.2), take that of the first, as BIND loads them.
      RecordSet =
        Struct.new(:name, :type, :ttl, :rdatas) do
          def initialize(name:, type:, ttl:, rdatas:) = super(name, type, ttl, rdatas)
          def id = [name, type]
          def meanings = rdatas.map(&:meaning).sort

          # Do both say the same, by meaning? Where each is written alike nothing has to be read.
          def same_data?(other)
            return false unless rdatas.size == other.rdatas.size

            rdatas.zip(other.rdatas).all? { |mine, theirs| mine.written_alike?(theirs) } ||
              meanings == other.meanings
          end

          # Octets that sort by name (RFC 4034 §6.1), then by type; a zero twice stands before all
          # that goes on.
          def order = name.order + "\0\0".b + [Rdata.number_of(type)].pack("n")
          def to_a = rdatas.map { |r| Record.new(name: name, ttl: ttl, rdata: r) }
        end
    end
  end
end
