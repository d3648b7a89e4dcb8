# frozen_string_literal: true

module SteadyMove
  module Core
    module Letters
      # Plain words that are hard to mistype, for a word that has to come back.
      module Words
        ALL = %w[amber anchor apple autumn basil beacon birch blanket bridge bucket candle canvas carrot castle cedar
          cherry clover cobalt copper coral cotton cricket dagger daisy
          dolphin ember falcon feather fennel fiddle garden ginger glacier granite hammer harbour hazel hollow indigo
          island ivory jasmine juniper kettle ladder lantern lemon
          linen lobster magnet maple marble meadow mirror mustard nettle nutmeg olive orchard oyster paddle parsley
          pebble pepper pewter pigeon pillow pocket poppy quarry rabbit
          raven ribbon saddle saffron salmon sandal saucer shadow silver spindle sparrow thistle timber tulip turnip
          umber velvet violet walnut willow window winter yarrow].freeze
      end
    end
  end
end
