# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Compares two zones record set by record set (RFC 2181 §5), by meaning; SOA and apex NS stand apart.
      module Comparison
        # kind: same, ttl, differs, missing (only old has it) or extra (only new has it); old/new: RecordSet or nil;
        # breaks: what stops working for people, a Phrase, or nil.
        Row = Struct.new(:kind, :name, :type, :old, :new, :breaks, keyword_init: true)

        # Types of which it is known what stops working without them; the words stand in the catalogue.
        KNOWN = %w[A AAAA CNAME MX TXT SRV CAA TLSA NS HTTPS SVCB].freeze

        module_function

        # Returns Rows, what would break first; the host's own SOA and apex NS are left out.
        def of(old, new)
          old_sets = index(old)
          new_sets = index(new)
          rows = (old_sets.keys | new_sets.keys).map { |id| row(id, old_sets[id], new_sets[id]) }
          rows.sort_by { |r| [%i[missing differs extra ttl same].index(r.kind), r.name, Rdata.number_of(r.type)] }
        end

        # True where every difference is at most one of TTL.
        def same_content?(rows) = rows.all? { |r| %i[same ttl].include?(r.kind) }

        def index(zone) = zone.content.to_h { |s| [s.id, s] }

        def row(id, old, new)
          kind = if new.nil? then :missing
          elsif old.nil? then :extra
          elsif !old.same_data?(new) then :differs
          else old.ttl == new.ttl ? :same : :ttl
          end
          Row.new(kind: kind, name: id[0], type: id[1], old: old, new: new, breaks: breaks(kind, *id)).freeze
        end

        def breaks(kind, name, type)
          return unless %i[missing differs].include?(kind)

          Phrase.of("records.breaks.#{KNOWN.include?(type) ? type : 'other'}", at: name.to_host, type: type)
        end
        private_class_method :index, :row, :breaks
      end
    end
  end
end
