# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # What one look at a name showed. account, record: statuses, nil where that source said none;
      # transfer: TransferInfo of the losing side or nil.
      Look =
        Struct.new(:account, :record, :transfer, keyword_init: true) do
          def known? = !(account || record).nil?
          def statuses = [*account, *record]
        end
    end
  end
end
