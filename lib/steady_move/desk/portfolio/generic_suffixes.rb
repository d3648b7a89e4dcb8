# frozen_string_literal: true

require "public_suffix"

module SteadyMove
  module Desk
    module Portfolio
      # The suffixes that the Public Suffix List marks as generic: its section “newGTLDs”, kept from
      # ICANN's own list. Read from the list that the public_suffix package ships.
      module GenericSuffixes
        BEGINS = %r{\A// newGTLDs\b}
        ENDS = %r{\A// ===END ICANN DOMAINS===}
        # {[file, when it was written] => what it says}: read once.
        @kept = {}

        module_function

        # file: a Public Suffix List. Returns A-labels, sorted; a list without that section gives
        # none.
        def all(file = PublicSuffix::List::DEFAULT_LIST_PATH)
          @kept[[file, File.mtime(file)]] ||= read(file).freeze
        end

        def read(file)
          lines = File.foreach(file, encoding: "UTF-8").lazy.map(&:strip)
          generic = lines.drop_while { |l| !l.match?(BEGINS) }.take_while { |l| !l.match?(ENDS) }
          generic
            .reject { |l| l.empty? || l.start_with?("//") || l.match?(/[.*!]/) }
            .filter_map { |l| Core::Names::HostName.ascii(l) }
            .to_a
            .sort
        end
        private_class_method :read
      end
    end
  end
end
